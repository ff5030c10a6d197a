import { useLayoutEffect, useState } from 'react';

/** How wide a place is, in pixels, also when that changes; `usual` as long as it does not stand on the screen. */
export function useWidth(place: HTMLElement | null, usual: number): number {
  const [width, setWidth] = useState(usual);
  useLayoutEffect(() => {
    if (!place) return;
    const measure = (): void => setWidth(place.clientWidth || usual);
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(place);
    return () => watcher.disconnect();
  }, [place, usual]);
  return width;
}
