import { type PictureType, typeOfBytes } from '../../../core/note/names/picture-path';

/** How well a picture that is made smaller is kept, of 1. */
const QUALITY = 0.85;

/** A picture that is to be kept. */
export interface ReadyPicture {
  bytes: Uint8Array;
  type: PictureType;
}

/**
 * A picture no wider or higher than so many pixels, without what a camera wrote into it, as the place. Drawings and moving pictures stay as they
 * are, and whatever would not become less.
 *
 * @param most in pixels; null for as it is
 */
export async function smaller(bytes: Uint8Array, type: PictureType, most: number | null): Promise<ReadyPicture> {
  const asItIs = { bytes, type };
  if (most === null || type === 'image/svg+xml' || type === 'image/gif') return asItIs;
  const bitmap = await createImageBitmap(new Blob([bytes as BlobPart], { type })).catch(() => null);
  // A browser that does not know the form keeps the file.
  if (!bitmap) return asItIs;
  try {
    const part = Math.min(1, most / Math.max(bitmap.width, bitmap.height));
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * part)), Math.max(1, Math.round(bitmap.height * part)));
    const drawing = canvas.getContext('2d');
    if (!drawing) return asItIs;
    drawing.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    const blob = await canvas.convertToBlob({ type: 'image/webp', quality: QUALITY });
    const drawn = new Uint8Array(await blob.arrayBuffer());
    const kind = typeOfBytes(drawn);
    if (kind === null || (part === 1 && drawn.length >= bytes.length)) return asItIs;
    return { bytes: drawn, type: kind };
  } finally {
    bitmap.close();
  }
}
