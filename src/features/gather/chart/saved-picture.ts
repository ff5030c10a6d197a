/** A drawing as a file of its own: the colours of the page stand in it as they are now. PNG is drawn twice as large. */
export async function savedPicture(drawing: SVGSVGElement, kind: 'svg' | 'png'): Promise<Uint8Array> {
  const { width, height } = drawing.viewBox.baseVal;
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  copy.setAttribute('font-family', 'sans-serif');
  copy.setAttribute('font-size', '12');
  const style = getComputedStyle(document.documentElement);
  const text = new XMLSerializer()
    .serializeToString(copy)
    .replace(/var\((--[a-z-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim());
  const bytes = new TextEncoder().encode(text);
  if (kind === 'svg') return bytes;
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = 2 * width;
  canvas.height = 2 * height;
  const context = canvas.getContext('2d');
  if (context) {
    context.fillStyle = style.getPropertyValue('--sheet').trim();
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
  }
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  return new Uint8Array(await (blob ?? new Blob()).arrayBuffer());
}
