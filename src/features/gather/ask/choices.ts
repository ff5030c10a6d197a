import type { AddedStatus } from '../../../core/task/line/status';
import { quoted } from '../../../core/gather/saying/print';
import { parseGather } from '../../../core/gather/language/parse';
import { escapedPattern } from '../../../core/note/names/escaped-pattern';

/** A condition that can be chosen, in the words of the language. */
export interface Choice {
  kind: ChoiceKind;
  text: string;
  /** What helps to choose, such as how many open tasks bear a name. */
  hint: string;
}

export const CHOICE_KINDS = ['status', 'date', 'tag', 'person', 'note', 'place', 'priority', 'measure', 'words'] as const;
export type ChoiceKind = (typeof CHOICE_KINDS)[number];

/** What there is to choose from in one's own notes. */
export interface Known {
  tags: readonly { name: string; open: number }[];
  people: readonly { name: string; open: number }[];
  notes: readonly { title: string; path: string; open: number }[];
  statuses: readonly AddedStatus[];
}

const STATUSES = [
  'open',
  'closed',
  'todo',
  'underway',
  'waiting',
  'done',
  'cancelled',
  'late',
  'resting',
  'blocked',
  'repeats',
  'unsorted',
  'is step',
  'is question',
  'now',
  'not now',
];
const RANGES = ['= today', '= tomorrow', '< today', 'in next 7 days', 'in next 14 days', 'in this week', 'in next week', 'in this month'];
const DATES = [
  ...['due', 'plan'].flatMap((field) => [...RANGES.map((range) => `${field} ${range}`), `with ${field}`, `without ${field}`]),
  'without any date',
  'start in last 7 days',
  'done = today',
  'done in last 7 days',
  'done in last 30 days',
  'made in last 7 days',
];
const PRIORITIES = ['priority >= high', 'priority = top', 'priority = high', 'priority = normal', 'priority = low'];
const MEASURES = [
  'takes <= 15m',
  'takes <= 30m',
  'takes <= 1h',
  'without takes',
  'pushed > 2',
  'age > 30 days',
  'untouched > 30 days',
  'progress < 100%',
  'with steps',
];
/** So many notes and folders are offered at a time; what is typed finds the others. */
export const MOST_NOTES = 300;

const openWords = (count: number): string => (count > 0 ? `${count} open` : '');
const choices = (kind: ChoiceKind, texts: readonly string[]): Choice[] => texts.map((text) => ({ kind, text, hint: '' }));

/** Everything that a condition can be chosen from, without what is typed. */
export function choicesFrom({ tags, people, notes, statuses }: Known): Choice[] {
  const folders = new Map<string, number>();
  for (const { path, open } of notes) {
    const folder = path.split('/').slice(0, -1).join('/');
    if (folder !== '') folders.set(folder, (folders.get(folder) ?? 0) + open);
  }
  return [
    ...choices('status', STATUSES),
    ...choices(
      'status',
      statuses.map(({ name }) => `status = ${quoted(name)}`),
    ),
    ...choices('date', DATES),
    ...tags.map(({ name, open }): Choice => ({ kind: 'tag', text: `#${name}`, hint: openWords(open) })),
    ...people.map(({ name, open }): Choice => ({ kind: 'person', text: `@${name}`, hint: openWords(open) })),
    ...people.map(({ name }): Choice => ({ kind: 'person', text: `owner = @${name}`, hint: '' })),
    ...choices('person', ['owner = me', 'owner = nobody', 'with asked']),
    ...notes.map(({ title, open }): Choice => ({ kind: 'note', text: `[[${title}]]`, hint: openWords(open) })),
    ...[...folders]
      .slice(0, MOST_NOTES)
      .map(([folder, open]): Choice => ({ kind: 'place', text: `path in ${quoted(folder)}`, hint: openWords(open) })),
    ...choices('place', ['kind = journal', 'kind = project', 'kind = meeting', 'kind = person']),
    ...choices('priority', PRIORITIES),
    ...choices('measure', MEASURES),
  ].filter(({ text }) => parseGather(`where ${text}`).errors.length === 0);
}

/** The choices that hold all of some typed words, in their text or in how they are said; those that begin with them first. */
export function matching<One extends Choice & { words: string }>(all: readonly One[], typed: string): One[] {
  const wanted = typed.toLowerCase().trim();
  if (wanted === '') return [...all];
  const parts = wanted.split(/\s+/);
  const weightOf = ({ text, words }: One): number => {
    const said = `${text} ${words}`.toLowerCase();
    if (!parts.every((part) => said.includes(part))) return 3;
    const bare = text.toLowerCase().replace(/^(?:[#@]|\[\[)/, '');
    return text.toLowerCase().startsWith(wanted) || bare.startsWith(wanted)
      ? 0
      : new RegExp(`\\b${escapedPattern(wanted)}`, 'u').test(said)
        ? 1
        : 2;
  };
  const weighed = all.map((one) => ({ one, weight: weightOf(one) })).filter(({ weight }) => weight < 3);
  return weighed.sort((a, b) => a.weight - b.weight).map(({ one }) => one);
}

/** What typed words may themselves be: a condition as the language has it, or words that must stand in the task. */
export function typedChoices(typed: string): Choice[] {
  const words = typed.trim();
  if (words === '') return [];
  const { errors, gather } = parseGather(`where ${words}`);
  return [
    ...(errors.length === 0 && gather.where && /[\s=<>"]/.test(words) ? choices('words', [words]) : []),
    ...choices('words', [`text has ${quoted(words.replace(/^[#@]/, ''))}`]),
  ];
}
