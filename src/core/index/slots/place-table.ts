/** The place of each note in the order of the paths, as a number, so that comparing two rows compares no texts. */
export class PlaceTable {
  private places = new Map<string, number>();
  /** Whether a path came since the places were found. */
  private stale = false;

  /** The place of a note; 0 for one that came, until the places are found again. */
  of(path: string): number {
    const place = this.places.get(path);
    if (place === undefined) this.stale = true;
    return place ?? 0;
  }

  /** Finds the places anew when a path came; gives whether it did. */
  refresh(paths: () => Iterable<string>): boolean {
    if (!this.stale) return false;
    this.stale = false;
    this.places = new Map([...paths()].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0)).map((path, place) => [path, place]));
    return true;
  }
}
