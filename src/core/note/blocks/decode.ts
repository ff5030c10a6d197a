/** Reads bytes as UTF-8; null when they are none, so that they can be kept as they are. */
export function decodeUtf8(bytes: Uint8Array): string | null {
  try {
    // The byte-order mark stays in the text: it must come back on export.
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    return null;
  }
}
