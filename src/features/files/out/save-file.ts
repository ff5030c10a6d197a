/** Hands a file to the browser's downloads. */
export function saveFile(name: string, content: Uint8Array | Blob): void {
  const blob = content instanceof Blob ? content : new Blob([content as Uint8Array<ArrayBuffer>]);
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
