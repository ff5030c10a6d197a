import { foldPath, isSealedPath } from '../../../core/note/names/path';
import type { Cursor, Left } from './place-words';

/** So many places of the history are remembered. */
const MOST = 200;

/** Remembers how each place of this tab's history was left, and where something was written last. */
export class PlaceMemory {
  private readonly places: Map<string, Left>;
  private here: Left = nowhere();
  private isReturn = false;

  /**
   * @param written where something was written last, before this page was loaded
   * @param places how places were left before, by the keys of their entries
   * @param forgot told that places were forgotten, so that what was kept of them goes too
   */
  constructor(
    public written: Cursor | null = null,
    places: readonly (readonly [string, Left])[] = [],
    private readonly forgot: () => void = () => undefined,
  ) {
    this.places = new Map(places);
  }

  /**
   * Another place of the history is shown.
   *
   * @param key which entry of the history it is
   * @param isReturn whether it was gone back or forth to
   * @returns how it was left, when it is returned to
   */
  arrive(key: string, isReturn: boolean): Left | null {
    const before = this.places.get(key);
    this.isReturn = isReturn && before !== undefined;
    this.here = { ...(before ?? nowhere()) };
    // What was shown last is forgotten last.
    this.places.delete(key);
    this.places.set(key, this.here);
    const [oldest] = this.places.keys();
    if (this.places.size > MOST && oldest !== undefined) this.places.delete(oldest);
    return this.isReturn && before ? { ...before } : null;
  }

  /** How all places were left, to be kept while the page is loaded anew. */
  all(): [string, Left][] {
    return [...this.places];
  }

  scrolled(to: number): void {
    this.here.scroll = to;
  }

  /** A row of a list has the focus, or something else of the page has. */
  focused(row: string | null): void {
    this.here.row = row;
  }

  /** The cursor of the note on the page moved. */
  moved(cursor: Cursor): void {
    this.here.cursor = cursor;
  }

  /** Something was written there. */
  wrote(cursor: Cursor): void {
    this.written = cursor;
  }

  /** Where the cursor stood in a note when the place that is shown was left; null when it is not returned to. */
  cursorIn(path: string): Cursor | null {
    const { cursor } = this.here;
    return this.isReturn && cursor !== null && foldPath(cursor.path) === foldPath(path) ? cursor : null;
  }

  /**
   * Forgets places, as those whose address says more than may be known any longer.
   *
   * @param isMeant is given the address of each, read by people
   */
  forget(isMeant: (address: string) => boolean): void {
    for (const place of [...this.places.keys()]) if (isMeant(readable(addressOf(place)))) this.places.delete(place);
    this.forgot();
  }

  /** A note has another path. The address of one that is sealed now said how it is called: those places are forgotten, in every tab. */
  noteMoved(from: string, to: string): void {
    if (isSealedPath(to)) this.forget((address) => foldPath(address.split('?')[0] ?? '').endsWith(`/${foldPath(from)}`));
    const follow = <Of extends Cursor | null>(cursor: Of): Of =>
      cursor !== null && foldPath(cursor.path) === foldPath(from) ? { ...cursor, path: to } : cursor;
    this.written = follow(this.written);
    for (const left of this.places.values()) left.cursor = follow(left.cursor);
  }
}

/** A place of the history: the key of its entry, and its address. */
export const placeOf = (key: string, address: string): string => `${key} ${address}`;
const addressOf = (place: string): string => place.slice(place.indexOf(' ') + 1);

function readable(address: string): string {
  try {
    return decodeURIComponent(address);
  } catch {
    return address;
  }
}

const nowhere = (): Left => ({ scroll: 0, cursor: null, row: null });
