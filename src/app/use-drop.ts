import { useEffect, useState } from 'react';
import type { GivenFile } from '../engine/files/read-given';
import { givenFromDrop } from '../features/files/in/given-files';

/** Whether only pictures are dropped, on something that takes them. */
const takesPictures = ({ dataTransfer, target }: DragEvent): boolean =>
  target instanceof Element &&
  target.closest('[data-takes-pictures]') !== null &&
  [...(dataTransfer?.items ?? [])].every(({ kind, type }) => kind !== 'file' || type.startsWith('image/'));

/** Files dropped anywhere on the window; null when there are none. */
export function useDrop(onDrop: () => void): [GivenFile[] | null, (files: GivenFile[] | null) => void] {
  const [given, setGiven] = useState<GivenFile[] | null>(null);
  useEffect(() => {
    const hasFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;
    const over = (event: DragEvent): void => {
      if (hasFiles(event)) event.preventDefault();
    };
    const drop = (event: DragEvent): void => {
      // A text takes pictures in itself.
      if (!event.dataTransfer || !hasFiles(event) || takesPictures(event)) return;
      event.preventDefault();
      event.stopPropagation();
      void givenFromDrop(event.dataTransfer).then((files) => {
        setGiven(files);
        onDrop();
      });
    };
    window.addEventListener('dragover', over, true);
    window.addEventListener('drop', drop, true);
    return () => {
      window.removeEventListener('dragover', over, true);
      window.removeEventListener('drop', drop, true);
    };
  }, [onDrop]);
  return [given, setGiven];
}
