/**
 * Lets a person choose pictures, or take one with the camera of the device; where that is refused, or none is chosen, nothing happens.
 *
 * @param from `camera` opens the camera at once, where the device has one; elsewhere the files
 */
export function choosePictures(then: (files: readonly File[]) => void, from: 'files' | 'camera' = 'files'): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = 'image/*';
  input.multiple = from === 'files';
  if (from === 'camera') input.setAttribute('capture', 'environment');
  input.dataset['testid'] = 'picture-files';
  input.hidden = true;
  const end = (): void => input.remove();
  input.addEventListener('change', () => {
    const files = [...(input.files ?? [])];
    end();
    if (files.length > 0) then(files);
  });
  input.addEventListener('cancel', end);
  document.body.append(input);
  input.click();
}
