import { useSyncExternalStore } from 'react';
import { useAppSelector } from '../features/session/state/state';

/** The parts of the frame that stand next to the page. */
export type Side = 'rack' | 'beside';

/** From these widths on there is room for them, in pixels with letters of the middle size: the page stays wider than a column of text. */
const FROM = { rack: 900, beside: 1080 };

/** Whether the window has room for a part of the frame next to the page; else it is a sheet over it. */
export const hasRoom = (side: Side, textSize: number): boolean => window.innerWidth >= (FROM[side] * Math.max(100, textSize)) / 100;

/** The same, as long as the window has its size. */
export function useRoom(side: Side): boolean {
  const textSize = useAppSelector((state) => state.settings.textSize);
  return useSyncExternalStore(listen, () => hasRoom(side, textSize));
}

function listen(listener: () => void): () => void {
  window.addEventListener('resize', listener);
  return () => window.removeEventListener('resize', listener);
}
