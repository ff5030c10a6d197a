import {
  type Completion,
  type CompletionContext,
  type CompletionResult,
  type CompletionSource,
  autocompletion,
  closeCompletion,
  completionKeymap,
  selectedCompletion,
} from '@codemirror/autocomplete';
import type { Extension, Line, TransactionSpec } from '@codemirror/state';
import { type EditorView, keymap } from '@codemirror/view';
import { isoDay } from '../../../core/calendar/day';
import { dayName } from '../../../core/calendar/day-name';
import { likelyDays } from '../../../core/calendar/spoken/likely-days';
import type { ActionContext } from '../../../core/task/acts/action-context';
import { storedValue } from '../../../core/task/line/clause-value';
import { clauseNameOf } from '../../../core/task/line/clause';
import type { NameSummary, Overview } from '../../../core/index/live/overview';
import { gatherWords } from '../gather/gather-writing';
import { gathersOfNote } from '../gather/gathers-of-note';
import type { DayAsked } from '../../session/acting/task-dialog';
import { firstSource } from './first-source';

/** The names of the library, and whether what is not there yet can be made. */
export interface NameFacts {
  overview: () => Overview | null;
  /** Paths of the notes that were opened last, the latest first. */
  recent: () => readonly string[];
  headings: (path: string) => Promise<string[]>;
  /** Makes a note with this title, or a person's page with this handle; null where nothing is made. */
  make: ((name: string, kind: 'note' | 'person') => void) | null;
}

/** What completion knows of the library, and what it may do. */
export interface CompletionFacts extends NameFacts {
  /** Shows a calendar for a day of the task at the cursor. */
  calendar: (what: DayAsked) => void;
  context: () => ActionContext;
}

const MOST = 60;

/** Whether a name is known only because the line at hand was stored while it was being typed. */
function isBeingTyped(known: NameSummary, sign: string, typed: string, { state, pos }: CompletionContext): boolean {
  const written = sign + known.name;
  if (known.notes > 1 || known.fullName !== null || !typed.toLowerCase().startsWith(written.toLowerCase())) return false;
  const others = state.sliceDoc(0, pos - typed.length) + state.sliceDoc(pos);
  return !others.toLowerCase().includes(written.toLowerCase());
}

/** Tags behind `#`, the most used first. */
function tags({ overview }: NameFacts, context: CompletionContext): CompletionResult | null {
  const before = context.matchBefore(/(?:^|[\s([{"'*_~,])#[\p{L}\p{M}\p{N}_/-]*$/u);
  if (!before) return null;
  const from = before.from + before.text.indexOf('#');
  const options = (overview()?.tags ?? [])
    .filter((tag) => !isBeingTyped(tag, '#', before.text.slice(before.text.indexOf('#')), context))
    .map((tag): Completion => ({ label: `#${tag.name}`, detail: tag.open > 0 ? `${tag.open} open` : '' }));
  return { from, options, validFor: /^#[\p{L}\p{M}\p{N}_/-]*$/u };
}

/** People behind `@`, by handle and by full name. */
function people({ overview, make }: NameFacts, context: CompletionContext): CompletionResult | null {
  const before = context.matchBefore(/(?:^|[\s([{"'*_~,])@[\p{L}\p{M}\p{N}_.-]*$/u);
  if (!before) return null;
  const from = before.from + before.text.indexOf('@');
  const typed = before.text.slice(before.text.indexOf('@') + 1);
  const known = (overview()?.people ?? []).filter((person) => !isBeingTyped(person, '@', `@${typed}`, context));
  const options = known.flatMap((person): Completion[] => [
    { label: `@${person.name}`, detail: person.fullName ?? '' },
    ...(person.fullName !== null && person.fullName.toLowerCase() !== person.name.toLowerCase()
      ? [{ label: `@${person.fullName}`, apply: `@${person.name}`, detail: `@${person.name}` }]
      : []),
  ]);
  if (make && typed.length > 1 && !known.some((person) => person.name.toLowerCase() === typed.toLowerCase()))
    options.push({
      label: `make a page for @${typed}`,
      boost: -90,
      apply: (view, _completion, start, end) => {
        view.dispatch({
          changes: { from: start, to: end, insert: `@${typed}` },
          selection: { anchor: start + typed.length + 1 },
          userEvent: 'input.complete',
        });
        make(typed, 'person');
      },
    });
  return { from, options, validFor: /^@[\p{L}\p{M}\p{N}_. -]*$/u };
}

/** Notes behind `[[`, the latest opened first, and behind `#` the headings of the one that is named. */
async function links({ overview, recent, headings, make }: NameFacts, context: CompletionContext): Promise<CompletionResult | null> {
  const before = context.matchBefore(/\[\[[^\][\n|]*$/);
  if (!before) return null;
  const typed = before.text.slice(2);
  const close = context.state.sliceDoc(context.pos, context.pos + 2) === ']]' ? '' : ']]';
  const notes = overview()?.notes ?? [];
  const hash = typed.indexOf('#');
  if (hash !== -1) {
    const note = notes.find((one) => one.title.toLowerCase() === typed.slice(0, hash).trim().toLowerCase());
    const found = note ? await headings(note.path) : [];
    return {
      from: before.from + 2 + hash + 1,
      options: found.map((heading) => ({ label: heading, apply: heading + close })),
      validFor: /^[^\][\n|]*$/,
    };
  }
  const order = new Map(recent().map((path, place) => [path, place]));
  const options = notes
    .filter((note) => note.kind !== 'agenda')
    .map((note): Completion => {
      const place = order.get(note.path);
      return {
        label: note.title,
        detail: note.path.split('/').slice(0, -1).join(' › '),
        apply: note.title + close,
        boost: place === undefined ? 0 : Math.max(1, 60 - place),
      };
    });
  if (make && typed.trim() !== '' && !notes.some((note) => note.title.toLowerCase() === typed.trim().toLowerCase()))
    options.push({
      label: `make the note ${typed}`,
      boost: -90,
      apply: (view, _completion, from, to) => {
        const title = typed.trim();
        view.dispatch({
          changes: { from, to, insert: title + close },
          selection: { anchor: from + title.length + 2 },
          userEvent: 'input.complete',
        });
        make(title, 'note');
      },
    });
  return { from: before.from + 2, options, validFor: /^[^\][\n|#]*$/ };
}

const CLAUSES: readonly [string, string][] = [
  ['due', 'the day by which it must be done'],
  ['plan', 'when you mean to do it'],
  ['start', 'until this day it rests'],
  ['takes', 'the working time'],
  ['high', 'priority'],
  ['top', 'the highest priority'],
  ['low', 'a low priority'],
  ['every', 'how it comes back'],
  ['owner', 'who does it'],
  ['asked', 'who asked for it'],
  ['remind', 'when to be reminded'],
  ['until', 'the last day of a repeat'],
  ['lapses', 'the last day on which it applies'],
  ['needs', 'what must be closed first'],
  ['question', 'an open question'],
  ['key', 'a key point'],
];
const DATED = new Set(['due', 'plan', 'start', 'until', 'lapses']);
/** The clauses whose day can be picked from a calendar. */
const PICKED: Record<string, DayAsked> = { due: 'due', plan: 'plan', start: 'rest' };

/** Clauses in the tail of a line, and behind a date clause the likely days and what the words come to. */
function clauses({ context: actionContext, calendar }: CompletionFacts, context: CompletionContext): CompletionResult | null {
  const before = context.matchBefore(/\s\{[^{}\n]*$/);
  if (!before || !/^\s*(?:>\s*)*(?:[-*+]|\d+[.)])\s/.test(context.state.doc.lineAt(context.pos).text)) return null;
  const inside = before.text.slice(before.text.indexOf('{') + 1);
  const clause = inside.slice(inside.lastIndexOf(';') + 1);
  const lead = /^\s*/.exec(clause)?.[0].length ?? 0;
  const from = context.pos - clause.length + lead;
  const close = (view: { state: { sliceDoc: (from: number, to: number) => string } }, at: number): string =>
    view.state.sliceDoc(at, at + 1) === '}' ? '' : '}';
  const [, name = '', gap = ''] = /^\s*([a-z]+)(\s+)/i.exec(clause) ?? [];
  if (gap === '')
    return {
      from,
      options: CLAUSES.map(([word, detail], index) => ({
        label: word,
        detail,
        boost: 50 - index,
        apply: /^(?:high|top|low|key)$/.test(word) ? word : `${word} `,
      })),
      validFor: /^[a-z]*$/i,
    };
  const valueFrom = from + name.length + gap.length;
  const typed = context.state.sliceDoc(valueFrom, context.pos);
  if (!DATED.has(name.toLowerCase())) return null;
  const { now, settings } = actionContext();
  const known = clauseNameOf(name.toLowerCase());
  const picked = PICKED[name.toLowerCase()];
  const understood = typed.trim() === '' || known === null ? null : storedValue(known, typed.trim(), actionContext());
  const put =
    (value: string): NonNullable<Completion['apply']> =>
    (view, _completion, start, end) => {
      const tail = close(view, end);
      view.dispatch({
        changes: { from: start, to: end, insert: value + tail },
        selection: { anchor: start + value.length + 1 },
        userEvent: 'input.complete',
      });
    };
  return {
    from: valueFrom,
    filter: false,
    options: [
      ...(understood === null ? [] : [{ label: understood, detail: `what “${typed.trim()}” comes to`, apply: put(understood) }]),
      ...likelyDays(now.day, settings.firstDayOfWeek)
        .filter(({ words }) => words.toLowerCase().startsWith(typed.trim().toLowerCase()))
        .map(({ words, day }) => ({ label: words, detail: dayName(day, now.day - 1000), apply: put(isoDay(day)) })),
      ...(picked === undefined || typed.trim() !== ''
        ? []
        : [
            {
              label: 'From a calendar…',
              apply: (view: EditorView, _completion: Completion, _start: number, end: number) => {
                view.dispatch({ ...withoutClause(view.state.doc.lineAt(end), end), userEvent: 'delete.complete' });
                calendar(picked);
              },
            },
          ]),
    ],
  };
}

/** Takes away the clause being written before a place, and the braces when nothing else stands in them. */
function withoutClause({ from, text }: Line, end: number): TransactionSpec {
  const column = end - from;
  const open = text.lastIndexOf('{', column - 1);
  const begun = Math.max(open + 1, text.lastIndexOf(';', column - 1));
  const close = text.indexOf('}', column);
  const rest = text.slice(open + 1, begun) + text.slice(column, close === -1 ? text.length : close);
  if (rest.trim() !== '') {
    // The first of several takes the sign behind it along, the others the one before.
    const behind = begun === open + 1 ? (/^;\s*/.exec(text.slice(column))?.[0].length ?? 0) : 0;
    return { changes: { from: from + begun, to: end + behind } };
  }
  const first = text.slice(0, open).trimEnd().length;
  return { changes: { from: from + first, to: from + (close === -1 ? text.length : close + 1) } };
}

/** Names as they are completed in any text: tags, people and links. */
export const nameSources = (facts: NameFacts): CompletionSource[] => [
  (context) => tags(facts, context),
  (context) => people(facts, context),
  (context) => links(facts, context),
];

/** Where completions come from in a note: names, clauses, and in a gather its words. */
export const completionSources = (facts: CompletionFacts): CompletionSource[] => [
  ...nameSources(facts),
  (context) => clauses(facts, context),
  gatherWords(gathersOfNote),
];

/** How completion behaves, wherever it comes from. */
export const completing = (sources: readonly CompletionSource[]): Extension => [
  autocompletion({ override: [firstSource(sources)], maxRenderedOptions: MOST, icons: false, defaultKeymap: false, interactionDelay: 0 }),
  keymap.of([{ key: 'Enter', run: leaveWhatIsWritten }, ...completionKeymap]),
];

/** A name that is written out already is not taken once more: Enter does what it does without an offer, as begin the next line. */
function leaveWhatIsWritten(view: EditorView): boolean {
  const chosen = selectedCompletion(view.state);
  const { head } = view.state.selection.main;
  if (chosen?.apply === undefined && chosen && view.state.sliceDoc(head - chosen.label.length, head) === chosen.label)
    closeCompletion(view);
  return false;
}

/** Completion of names, links and clauses, as the signs that begin them are typed. */
export const completion = (facts: CompletionFacts): Extension => completing(completionSources(facts));
