import { foldName, tagWithUppers } from '../note/names';

/** What of a note is looked up by name. */
interface Named {
  tags: readonly string[];
  people: readonly string[];
  links: readonly string[];
}

/** Beyond so many numbers of notes that are gone, the lists are made anew. */
const MOST_GONE = 1000;

/**
 * Which notes, by their folded paths, name a tag, a person or a link anywhere in them, so that a question about one looks at no others.
 * A note has a number as long as it names the same; the numbers of a name only ever grow, so that a note is added at the end of
 * a list, and taken away by forgetting what its number stands for.
 */
export class NotePostings {
  private readonly numbers = new Map<string, number>();
  /** By number; null for a note that is gone. */
  private notes: ({ key: string; named: Named } | null)[] = [];
  private tags = new Map<string, number[]>();
  private people = new Map<string, number[]>();
  private links = new Map<string, number[]>();

  add(key: string, named: Named): void {
    const number = this.notes.push({ key, named }) - 1;
    this.numbers.set(key, number);
    for (const tag of named.tags) for (const level of tagWithUppers(tag)) put(this.tags, level, number);
    for (const person of named.people) put(this.people, foldName(person), number);
    for (const link of named.links) put(this.links, link, number);
  }

  remove(key: string): void {
    const number = this.numbers.get(key);
    if (number === undefined) return;
    this.numbers.delete(key);
    this.notes[number] = null;
    if (this.notes.length > 2 * this.numbers.size + MOST_GONE) this.makeAnew();
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
    this.tags = new Map();
    this.people = new Map();
    this.links = new Map();
    for (const note of left) if (note) this.add(note.key, note.named);
  }
}

/** A note that names a tag twice, by a level of another, is listed once. */
function put(postings: Map<string, number[]>, name: string, number: number): void {
  const found = postings.get(name);
  if (!found) postings.set(name, [number]);
  else if (found[found.length - 1] !== number) found.push(number);
}
