/** Bytes in base 64 (RFC 4648, section 4), as text files hold them. */
export function toBase64(bytes: Uint8Array): string {
  let words = '';
  for (let at = 0; at < bytes.length; at += 8192) words += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return btoa(words);
}

export const fromBase64 = (words: string): Uint8Array => Uint8Array.from(atob(words), (letter) => letter.charCodeAt(0));
