import type { Condition, GatherContext } from '../../gather/language/ast';
import type { NameLookup } from '../../gather/answer/evaluate';
import { meantHere } from '../../gather/answer/meant-here';
import { foldName } from '../../note/names/names';
import { foldPath } from '../../note/names/path';
import type { NameTable } from '../names/name-table';
import type { NotePostings } from './note-postings';

/** Where it is looked up which notes name something. */
interface Tables {
  postings: NotePostings;
  names: NameTable;
  namesOf: NameLookup['namesOf'];
}

/** The notes, by their folded paths, outside which nothing can match a condition; null when it may be any. */
export function candidateNotes(condition: Condition | null, context: GatherContext, tables: Tables): ReadonlySet<string> | null {
  const { postings, names } = tables;
  switch (condition?.is) {
    case 'and':
      return condition.parts
        .map((part) => candidateNotes(part, context, tables))
        .reduce<ReadonlySet<string> | null>((best, one) => (one && (!best || one.size < best.size) ? one : best), null);
    case 'or': {
      const sets = condition.parts.map((part) => candidateNotes(part, context, tables));
      return sets.some((set) => set === null) ? null : new Set(sets.flatMap((set) => [...(set ?? [])]));
    }
    case 'tag':
      return postings.withTag(condition.name);
    case 'person':
      return postings.withPerson(condition.name === 'me' && context.me !== null ? foldName(context.me) : condition.name);
    case 'link': {
      const linking = [...tables.namesOf(condition.target.split(/[#|]/)[0]?.trim() ?? '')].map((name) => postings.withLink(name));
      return new Set([...linking.flatMap((set) => [...set]), ...keyAt(names.pathOf(condition.target))]);
    }
    case 'this':
      if (condition.what === 'note') return keyAt(context.thisNote?.path ?? null);
      return condition.what === 'tag' ? candidateNotes(meantHere(condition, context) ?? NOTHING, context, tables) : null;
    case 'to this note':
    case 'to raise':
      return candidateNotes(meantHere(condition, context) ?? NOTHING, context, tables);
    case 'under':
      return keyAt(names.pathOf(condition.note));
    default:
      return null;
  }
}

/** Matches no row. */
const NOTHING: Condition = { is: 'or', parts: [] };

const keyAt = (path: string | null): ReadonlySet<string> => new Set(path === null ? [] : [foldPath(path)]);
