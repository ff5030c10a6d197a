import { foldName, tagWithUppers } from '../note/names';

/** What of a note is looked up by name. */
interface Named {
  tags: readonly string[];
  people: readonly string[];
  links: readonly string[];
}

const NONE: ReadonlySet<never> = new Set();

/** Which notes, by their folded paths, name a tag, a person or a link anywhere in them, so that a question about one looks at no others. */
export class NotePostings {
  private readonly tags = new Map<string, Set<string>>();
  private readonly people = new Map<string, Set<string>>();
  private readonly links = new Map<string, Set<string>>();

  add(key: string, note: Named): void {
    for (const tag of note.tags) for (const level of tagWithUppers(tag)) put(this.tags, level, key);
    for (const person of note.people) put(this.people, foldName(person), key);
    for (const link of note.links) put(this.links, link, key);
  }

  remove(key: string, note: Named): void {
    for (const tag of note.tags) for (const level of tagWithUppers(tag)) drop(this.tags, level, key);
    for (const person of note.people) drop(this.people, foldName(person), key);
    for (const link of note.links) drop(this.links, link, key);
  }

  withTag(folded: string): ReadonlySet<string> {
    return this.tags.get(folded) ?? NONE;
  }

  withPerson(folded: string): ReadonlySet<string> {
    return this.people.get(folded) ?? NONE;
  }

  withLink(folded: string): ReadonlySet<string> {
    return this.links.get(folded) ?? NONE;
  }
}

function put(postings: Map<string, Set<string>>, name: string, key: string): void {
  const found = postings.get(name);
  if (found) found.add(key);
  else postings.set(name, new Set([key]));
}

function drop(postings: Map<string, Set<string>>, name: string, key: string): void {
  const found = postings.get(name);
  if (found?.delete(key) && found.size === 0) postings.delete(name);
}
