import type { IdIn } from '../../commands/definitions';
import { Facet, StateEffect } from '@codemirror/state';
import { ACTION_DEFAULTS, type ActionContext } from '../../../core/task/acts/action-context';
import type { Day } from '../../../core/calendar/day';
import type { Problem } from '../../../core/task/line/task';
import type { DateStyle } from '../../../core/calendar/day-name';

/** Where a name, a link or an address in a text leads. */
export type FollowTarget =
  | { is: 'note'; name: string; heading: string | null }
  | { is: 'tag' | 'person'; name: string }
  | { is: 'address'; url: string }
  | { is: 'task'; ref: string }
  | { is: 'day'; day: Day };

/** What decorations need to know beyond the text. */
export interface EditorContext {
  today: Day;
  style: DateStyle;
  /** Minutes that `1d` takes. */
  workingDay: number;
  /** What is wrong with what the tasks point at, by line (from 0); found by the engine. */
  refProblems: ReadonlyMap<number, readonly Problem[]>;
  /** Folded names that more than one note has. */
  sharedNames: ReadonlySet<string>;
  /** The folded handles of the people who have a page; null where nobody has one. */
  knownPeople: ReadonlySet<string> | null;
  /** Which tasks, by their ref, and which headings, by their whole line, are lent. */
  lent: { refs: ReadonlySet<string>; headings: ReadonlySet<string> };
  /** Whether names, links, and days lead somewhere, and tasks have details; where there is nothing but this text they are words. */
  leads: boolean;
  /** How the key that repairs a line is called; empty for none. */
  repairKey: string;
  /** For what actions would do to a line. */
  action: () => ActionContext;
  /** Finds the picture that a link shows: an address to show, or words that say why there is none. */
  picture: ((target: string) => Promise<{ url: string } | { words: string }>) | null;
  /** Keeps pictures, and gives what is written to show them; null where none can be kept. */
  keepPictures: ((files: readonly File[]) => Promise<string>) | null;
  /** Ticks the task on a line (from 0). */
  tick: (line: number) => void;
  /** Raises the priority of the task on a line (from 0); behind top comes low. */
  raise: (line: number) => void;
  /** Runs a command of the text by its id. */
  run: (id: IdIn<'text'>, line: number) => void;
  follow: (target: FollowTarget) => void;
}

const NO_CONTEXT: EditorContext = {
  today: 0,
  style: 'words',
  workingDay: 480,
  refProblems: new Map(),
  sharedNames: new Set(),
  knownPeople: null,
  lent: { refs: new Set(), headings: new Set() },
  leads: true,
  repairKey: '',
  action: () => ({ now: { day: 0, minute: 0 }, settings: ACTION_DEFAULTS, makeRef: () => '' }),
  picture: null,
  keepPictures: null,
  tick: () => undefined,
  raise: () => undefined,
  run: () => undefined,
  follow: () => undefined,
};

export const editorContext = Facet.define<EditorContext, EditorContext>({ combine: (values) => values[0] ?? NO_CONTEXT });

/** Sent when the context changed, so that decorations are made anew. */
export const contextChanged = StateEffect.define<null>();
