import { foldName, tagWithUppers } from '../../note/names/names';

/** What of a note is looked up by name. */
export interface Named {
  /** Its folded path. */
  key: string;
  tags: readonly string[];
  people: readonly string[];
  links: readonly string[];
  /** The number of what it names; -1 while it is not listed. */
  number: number;
}

/** Beyond so many numbers of notes that are gone, the lists are made anew. */
const MOST_GONE = 1000;

/**
 * Which notes, by their folded paths, name a tag, a person or a link anywhere in them, so that a question about one looks at no others.
 * A note has a number as long as it names the same; the numbers of a name only ever grow, so that a note is added at the end of
 * a list, and taken away by forgetting what its number stands for.
 */
export class NotePostings {
  /** By number; null for a note that is gone. */
  private notes: (Named | null)[] = [];
  private gone = 0;
  private tags = new Map<string, number[]>();
  private people = new Map<string, number[]>();
  private links = new Map<string, number[]>();

  add(note: Named): void {
    const number = this.notes.push(note) - 1;
    note.number = number;
    for (const tag of note.tags) for (const level of tagWithUppers(tag)) put(this.tags, level, number);
    for (const person of note.people) put(this.people, foldName(person), number);
    for (const link of note.links) put(this.links, link, number);
  }

  remove(note: Named): void {
    if (this.notes[note.number] !== note) return;
    this.notes[note.number] = null;
    if (++this.gone > this.notes.length / 2 + MOST_GONE) this.makeAnew();
  }

  /** Puts a note that names the same in the place of another. */
  replace(before: Named, after: Named): void {
    after.number = before.number;
    this.notes[before.number] = after;
  }

  withTag(folded: string): ReadonlySet<string> {
    return this.keysOf(this.tags.get(folded));
  }

  withPerson(folded: string): ReadonlySet<string> {
    return this.keysOf(this.people.get(folded));
  }

  withLink(folded: string): ReadonlySet<string> {
    return this.keysOf(this.links.get(folded));
  }

  private keysOf(numbers: readonly number[] | undefined): ReadonlySet<string> {
    const keys = new Set<string>();
    for (const number of numbers ?? []) {
      const note = this.notes[number];
      if (note) keys.add(note.key);
    }
    return keys;
  }

  private makeAnew(): void {
    const left = this.notes;
    this.notes = [];
    this.gone = 0;
    this.tags = new Map();
    this.people = new Map();
    this.links = new Map();
    for (const note of left) if (note) this.add(note);
  }
}

/** A note that names a tag twice, by a level of another, is listed once. */
function put(postings: Map<string, number[]>, name: string, number: number): void {
  const found = postings.get(name);
  if (!found) postings.set(name, [number]);
  else if (found[found.length - 1] !== number) found.push(number);
}
