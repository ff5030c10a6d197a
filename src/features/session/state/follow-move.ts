import { foldPath } from '../../../core/note/names/path';
import { noteAddress } from '../places/addresses';
import type { BesideView, Pin } from './frame-memory';

/** What of the frame names notes by their paths. */
export interface NamesPaths {
  pins: Pin[];
  recent: string[];
  finished: Record<string, 'stay' | 'sink' | 'hide'>;
  beside: BesideView;
  besideBefore: BesideView[];
  folded: string[];
  onTop: string[];
}

/**
 * What the frame remembers of a note, once the note has another path: pins, what was opened last, what stands beside, folds.
 *
 * @example followMove(frame, 'Crates.md', 'Old/Crates.md').recent // ['Old/Crates.md']
 */
export function followMove(frame: NamesPaths, from: string, to: string): NamesPaths {
  const isIt = (path: string): boolean => foldPath(path) === foldPath(from);
  const path = (one: string): string => (isIt(one) ? to : one);
  const view = (one: BesideView): BesideView =>
    'path' in one ? { ...one, path: path(one.path) } : one.is === 'gather' ? { ...one, at: path(one.at) } : one;
  const before = noteAddress(from);
  const address = (one: string): string =>
    one === before || one.startsWith(`${before}?`) ? noteAddress(to) + one.slice(before.length) : one;
  // Lists are named by the note that holds them, a line break, and what is folded in them.
  const list = (one: string): string => {
    const end = one.indexOf('\n');
    return isIt(one.slice(0, end)) ? to + one.slice(end) : one;
  };
  return {
    pins: frame.pins.map((pin) => ({ ...pin, address: address(pin.address) })),
    recent: frame.recent.map(path),
    finished: Object.fromEntries(Object.entries(frame.finished).map(([one, finished]) => [path(one), finished])),
    beside: view(frame.beside),
    besideBefore: frame.besideBefore.map(view),
    folded: frame.folded.map(list),
    onTop: frame.onTop.map(list),
  };
}
