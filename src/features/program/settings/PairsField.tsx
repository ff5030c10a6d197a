import { useState } from 'react';
import { cleanPath, foldPath } from '../../../core/note/names/path';
import { parseGather } from '../../../core/gather/language/parse';

/** Two words that belong together, as a side and its condition. */
export type Pair = readonly [first: string, second: string];

/** What the field of pairs says. */
export interface PairWords {
  /** What a pair is, in small letters. */
  one: string;
  first: string;
  second: string;
  examples: Pair;
  help: string;
  taken: string;
  /** Whether the second is written in the language of gathers. */
  mono: boolean;
  /** What is wrong with the second; null when nothing is. */
  problemOf: (second: string) => string | null;
}

const NEEDS_NOTE = (note: string): string | null => (note.trim() === '' ? 'An archive needs a name.' : null);

export const PAIR_WORDS: Record<'sides' | 'folders' | 'shelves' | 'journals', PairWords> = {
  sides: {
    one: 'side',
    first: 'Name',
    second: 'Condition',
    examples: ['House', '#house or path in "Private"'],
    help: 'Agenda pages and the day can be narrowed to one or several of them.',
    taken: 'Another side has this name.',
    mono: true,
    problemOf: (condition) =>
      condition.trim() === '' ? 'A side needs a condition.' : (parseGather(`where ${condition}`).errors[0]?.message ?? null),
  },
  folders: {
    one: 'folder',
    first: 'Folder',
    second: 'Archive',
    examples: ['Projects', 'Archive/Projects'],
    help: 'Finished lines of what stands in and below a folder go there; the nearest folder counts. A note can say it itself, by “archive”.',
    taken: 'This folder has its archive.',
    mono: false,
    problemOf: NEEDS_NOTE,
  },
  journals: {
    one: 'journal',
    first: 'Name',
    second: 'Folder',
    examples: ['Diary', 'Diary'],
    help: 'Chosen on the page of a day. Its pages begin from a template for journal pages that says “journal:” and its name, and are sealed where its folder is.',
    taken: 'Another journal has this name.',
    mono: false,
    problemOf: (folder) => {
      const path = cleanPath(folder.trim());
      if (path === null) return 'A folder is a name, or names with / between them.';
      return foldPath(path) === 'journal' ? 'The journal there is always lies in this folder.' : null;
    },
  },
  shelves: {
    one: 'shelf',
    first: 'Tag',
    second: 'Archive',
    examples: ['books', 'Shelves/Books read'],
    help: 'Finished lines with a tag go to its shelf, where neither their note nor its folder says another place; the first that fits counts.',
    taken: 'This tag has its shelf.',
    mono: false,
    problemOf: NEEDS_NOTE,
  },
};

interface PairsFieldProps {
  label: string;
  words: PairWords;
  value: readonly Pair[];
  onChange: (value: Pair[]) => void;
}

/** Names, each with something said of it: they can be added, changed and removed. */
export function PairsField({ label, words, value, onChange }: PairsFieldProps) {
  const [first, setFirst] = useState('');
  const [second, setSecond] = useState('');
  const { problemOf } = words;
  const problem = second.trim() === '' ? null : problemOf(second);
  const isTaken = value.some(([name]) => name.toLowerCase() === first.trim().toLowerCase());
  const canAdd = first.trim() !== '' && !isTaken && problemOf(second) === null;
  const look = words.mono ? 'field min-w-48 flex-1 font-mono text-[0.86rem]' : 'field min-w-48 flex-1';
  return (
    <fieldset className="max-w-2xl">
      <legend className="section-label mb-1">{label}</legend>
      <ul>
        {value.map(([name, said], at) => (
          <li key={name} className="flex flex-wrap items-center gap-2 py-0.5">
            <span className="w-40 font-semibold">{name}</span>
            <input
              className={look}
              aria-label={`${words.second} of ${name}`}
              defaultValue={said}
              onBlur={(event) => {
                const next = event.target.value.trim();
                if (problemOf(next) === null) onChange(value.map((one, place) => (place === at ? [name, next] : one)));
                else event.target.value = said;
              }}
            />
            <button type="button" className="quiet-button text-[0.86rem]" onClick={() => onChange(value.filter(([one]) => one !== name))}>
              Remove {name}
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <input
          className="field w-40"
          aria-label={`${words.first} of a new ${words.one}`}
          placeholder={words.examples[0]}
          value={first}
          onChange={(event) => setFirst(event.target.value)}
        />
        <input
          className={look}
          aria-label={`${words.second} of a new ${words.one}`}
          placeholder={words.examples[1]}
          value={second}
          onChange={(event) => setSecond(event.target.value)}
        />
        <button
          type="button"
          className="line-button"
          disabled={!canAdd}
          onClick={() => {
            onChange([...value, [first.trim().replace(/^#/, ''), second.trim()]]);
            setFirst('');
            setSecond('');
          }}
        >
          Add a {words.one}
        </button>
      </div>
      <p role="status" className="mt-1 text-[0.86rem] text-muted">
        {isTaken ? words.taken : (problem ?? words.help)}
      </p>
    </fieldset>
  );
}
