import type { Day, Weekday } from '../../calendar/day';
import type { DayRange } from '../../calendar/span';
import type { NoteKind } from '../../note/facts/front-matter';
import type { AddedStatuses, Status } from '../../task/line/status';
import type { Priority } from '../../task/line/clause';

export type Unit = 'day' | 'week' | 'month' | 'year';
export type Sign = '=' | '!=' | '<' | '<=' | '>' | '>=';

/** Task fields that hold a date. */
export const DATE_FIELDS = ['due', 'plan', 'start', 'lapses', 'made', 'done', 'cancelled', 'since', 'journal'] as const;
/** What is gathered: tasks, notes (also only those of meetings), items marked as key points, or what stands on outside lists. */
export const SOURCES = ['tasks', 'notes', 'meetings', 'key points', 'outside'] as const;
export type Source = (typeof SOURCES)[number];

/** Fields of notes that hold a date. */
export const NOTE_DATE_FIELDS = ['date', 'due', 'created', 'changed'] as const;
export type DateField = (typeof DATE_FIELDS)[number] | (typeof NOTE_DATE_FIELDS)[number];

/** What `with` and `without` can ask for. */
export const PRESENCE_FIELDS = [
  ...DATE_FIELDS,
  'any date',
  'repeat',
  'takes',
  'priority',
  'owner',
  'asked',
  'tag',
  'own tag',
  'person',
  'link',
  'need',
  'remind',
  'steps',
  'joined',
  'sent',
] as const;
/** Of notes also the date of their front matter, and an open task that can be begun. */
export type PresenceField = (typeof PRESENCE_FIELDS)[number] | 'date' | 'next step';

/** A date as a gather writes it; it becomes days when the gather is answered. */
export type DateValue =
  | { is: 'range'; range: DayRange }
  | { is: 'relative'; days: number }
  | { is: 'weekday'; weekday: Weekday }
  | { is: 'edge'; edge: 'start' | 'end'; unit: Unit }
  | { is: 'this day' }
  | { is: 'shifted'; base: DateValue; count: number; unit: Unit };

export type RangeValue =
  | { is: 'date'; date: DateValue }
  | { is: 'between'; from: DateValue; to: DateValue }
  | { is: 'calendar'; which: -1 | 0 | 1; unit: Unit }
  | { is: 'rolling'; direction: 'last' | 'next'; count: number; unit: Unit };

export type Flag = 'late' | 'resting' | 'blocked' | 'repeats' | 'unsorted' | 'step' | 'question' | 'now';

/** What holds a value that is measured: minutes, times, days, percent. */
export type MeasureField = 'takes' | 'pushed' | 'age' | 'untouched' | 'progress';

/** What a gather can mean by where it stands. */
export const THIS = ['note', 'day', 'person', 'tag', 'series'] as const;
export type ThisWhat = (typeof THIS)[number];

/** Stands for the person whose page holds the gather, where the name of one is asked for. No handle has a space. */
export const THIS_PERSON = 'this person';

/** What the front matter of a note may say in words. */
export type SaidField = 'title' | 'state' | 'level' | 'form' | 'series';

export type Condition =
  | { is: 'and' | 'or'; parts: Condition[] }
  | { is: 'not'; part: Condition }
  | { is: 'status'; status: Status | 'open' | 'closed' }
  /** A status that a note adds, by its name. */
  | { is: 'added status'; same: boolean; name: string }
  | { is: 'tag'; name: string; own: boolean }
  | { is: 'person'; name: string; own: boolean }
  | { is: 'link'; target: string; own: boolean }
  | { is: 'words'; words: string; folded: boolean }
  | { is: 'like'; source: string; flags: string }
  | { is: 'date'; field: DateField; sign: Sign; date: DateValue }
  | { is: 'in'; field: DateField; range: RangeValue }
  | { is: 'presence'; field: PresenceField; present: boolean }
  | { is: 'flag'; flag: Flag }
  | { is: 'priority'; sign: Sign; priority: Priority | 'normal' }
  | { is: 'measure'; field: MeasureField; sign: Sign; value: number }
  | { is: 'who'; field: 'owner' | 'asked'; same: boolean; person: string }
  | { is: 'place'; field: 'note' | 'path' | 'heading'; same: boolean; value: string }
  | { is: 'under'; note: string; heading: string | null }
  | { is: 'under ref'; ref: string }
  | { is: 'kind'; same: boolean; kind: NoteKind }
  /** The outside list with which a task is kept in step. */
  | { is: 'joined'; same: boolean; list: string }
  /** How many tasks of a note are open or done. */
  | { is: 'tasks'; field: 'open' | 'done'; sign: Sign; value: number }
  /** What the front matter of a note says. */
  | { is: 'said'; field: SaidField; same: boolean; value: string }
  /** Stands in a meeting with a person. */
  | { is: 'met'; person: string }
  /** A key of one's own in the front matter. */
  | { is: 'own key'; key: string; same: boolean; value: string }
  | { is: 'title has'; words: string }
  | { is: 'this'; what: ThisWhat }
  /** Links to the note that holds the gather, or inherits a link to it, and stands elsewhere. */
  | { is: 'to this note' }
  /** Bears the tag of what is to be raised with a person, as the settings say. */
  | { is: 'to raise' }
  /** When the day of the journal page that holds the gather is: the same for every row. */
  | { is: 'this day is'; sign: Sign; date: DateValue };

export const GROUP_KEYS = [
  ...DATE_FIELDS,
  'day',
  'week',
  'month',
  'period',
  'back',
  'status',
  'priority',
  'tag',
  'person',
  'owner',
  'asked',
  'note',
  'path',
  'heading',
  'about',
  'meeting',
  'age',
] as const;
/** Keys by which notes can be grouped. */
export const NOTE_GROUP_KEYS = [
  'kind',
  'path',
  'tag',
  'person',
  'about',
  'state',
  'level',
  'form',
  'series',
  'date',
  'due',
  'day',
  'week',
  'month',
  'period',
] as const;
export type GroupKeyName = (typeof GROUP_KEYS)[number] | (typeof NOTE_GROUP_KEYS)[number];

export interface GroupKey {
  key: GroupKeyName;
  /** For `week of done`: the field that day, week, month and period go by; null for the earlier of due and plan. */
  of: DateField | null;
  descending: boolean;
  /** Groups stand by how many tasks they hold, fullest first. */
  byCount: boolean;
  /** Statuses that notes add are groups of their own, as on a board, and do not stand among those that they count as. */
  added?: boolean;
}

export const ORDER_KEYS = [
  ...DATE_FIELDS,
  'day',
  'back',
  'status',
  'priority',
  'takes',
  'pushed',
  'progress',
  'note',
  'path',
  'text',
  'owner',
  'asked',
] as const;
/** Keys by which notes can be ordered. */
export const NOTE_ORDER_KEYS = [
  'title',
  'path',
  'kind',
  'date',
  'due',
  'open',
  'done',
  'progress',
  'state',
  'level',
  'form',
  'series',
  'created',
  'changed',
] as const;
export type OrderKeyName = (typeof ORDER_KEYS)[number] | (typeof NOTE_ORDER_KEYS)[number];

export interface OrderKey {
  key: OrderKeyName;
  descending: boolean;
}

export const TOTALS = ['count', 'takes', 'progress'] as const;
export type Total = (typeof TOTALS)[number];

/** Fields that a row or card can bear. */
export const COLUMNS = [...ORDER_KEYS, 'tag', 'person', 'link', 'heading', 'every', 'steps', 'remind', 'ref', 'needs'] as const;
/** Fields that the row of a note can bear; the digest of a meeting and the next step of a project are made for the rows in sight. */
export const NOTE_COLUMNS = [...NOTE_ORDER_KEYS, 'tag', 'person', 'about', 'digest', 'next step'] as const;
export type Column = (typeof COLUMNS)[number] | (typeof NOTE_COLUMNS)[number];

/** What bars and curves measure. */
export const MEASURES = ['count', 'takes', 'open', 'done', 'kept', 'progress'] as const;
export type Measure = (typeof MEASURES)[number];

/** How an answer is drawn. */
export type Form =
  | { is: 'list' | 'table' | 'month' | 'weeks' }
  /** Null stands for what has no value; an empty list leaves the columns to what is there. */
  | { is: 'board'; by: GroupKeyName; columns: (string | null)[] }
  | { is: 'summary'; by: GroupKeyName }
  /** On an axis of days, one row a value. */
  | { is: 'spans'; by: GroupKeyName }
  /** By days, weeks or months `of` a date field, else by the earlier of due and plan. */
  | { is: 'bars'; measure: Measure; by: GroupKeyName; of?: DateField; second: GroupKeyName | null }
  | { is: 'curve'; measure: Measure; by: GroupKeyName };

/** A gather as it was read. */
export interface Gather {
  title: string | null;
  from: Source;
  /** The outside list that is gathered from; null for all of them. */
  list: string | null;
  /** Null gathers everything. */
  where: Condition | null;
  groupBy: GroupKey[];
  /** Null is the default order: late first, then priority, due, plan, place. */
  orderBy: OrderKey[] | null;
  limit: number | null;
  limitPerGroup: number | null;
  includingResting: boolean;
  /** Steps as rows of their own. */
  stepsApart: boolean;
  /** Null leaves them to the view. */
  columns: Column[] | null;
  totals: Total[] | null;
  form: Form | null;
  /** Where a task written here goes: a link's target, with a heading after `#`. */
  into: string | null;
}

/** What a gather is answered against. */
export interface GatherContext {
  today: Day;
  firstDayOfWeek: Weekday;
  /** The handle of the person of the settings; null when none is set. */
  me: string | null;
  /** The note that holds the block, or, in a foot, the note above it. */
  thisNote: ThisNote | null;
  /** The tag of what is to be raised with a person, without its sign; `raise` when left out. */
  raiseTag?: string;
  /** The tag of what is off the table, without its sign; `not-now` when left out. */
  notNowTag?: string;
  /** Statuses that notes add. */
  statuses?: AddedStatuses;
}

/** A note as the gathers in it mean it. */
export interface ThisNote {
  /** Null for the page of a person or a tag that has no note. */
  path: string | null;
  journal: Day | null;
  /** The folded handle of the person whose page it is. */
  handle: string | null;
  /** The folded name of the tag whose page it is. */
  tag: string | null;
  /** Of a meeting, the folded handles of who is there. */
  people?: readonly string[];
  /** The folded name of the series to which a meeting belongs; absent is none. */
  series?: string | null;
}

/** Why a gather cannot be read; offsets are into its text. */
export interface GatherError {
  message: string;
  from: number;
  to: number;
}
