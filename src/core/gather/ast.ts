import type { Day, Weekday } from '../calendar/day';
import type { DayRange } from '../calendar/span';
import type { NoteKind } from '../note/front-matter';
import type { Status } from '../task/status';
import type { Priority } from '../task/clause';

export type Unit = 'day' | 'week' | 'month' | 'year';
export type Sign = '=' | '!=' | '<' | '<=' | '>' | '>=';

/** Task fields that hold a date. */
export const DATE_FIELDS = ['due', 'plan', 'start', 'made', 'done', 'cancelled', 'since', 'journal'] as const;
export type DateField = (typeof DATE_FIELDS)[number];

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
] as const;
export type PresenceField = (typeof PRESENCE_FIELDS)[number];

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

export type Flag = 'late' | 'resting' | 'repeats' | 'unsorted' | 'step';

export type Condition =
  | { is: 'and' | 'or'; parts: Condition[] }
  | { is: 'not'; part: Condition }
  | { is: 'status'; status: Status | 'open' | 'closed' }
  | { is: 'tag'; name: string; own: boolean }
  | { is: 'person'; name: string; own: boolean }
  | { is: 'link'; target: string; own: boolean }
  | { is: 'words'; words: string; folded: boolean }
  | { is: 'date'; field: DateField; sign: Sign; date: DateValue }
  | { is: 'in'; field: DateField; range: RangeValue }
  | { is: 'presence'; field: PresenceField; present: boolean }
  | { is: 'flag'; flag: Flag }
  | { is: 'priority'; sign: Sign; priority: Priority | 'normal' }
  | { is: 'measure'; field: 'takes' | 'pushed' | 'age'; sign: Sign; value: number }
  | { is: 'who'; field: 'owner' | 'asked'; same: boolean; person: string }
  | { is: 'place'; field: 'note' | 'path' | 'heading'; same: boolean; value: string }
  | { is: 'kind'; same: boolean; kind: NoteKind }
  | { is: 'this'; what: 'note' | 'day' | 'person' };

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
] as const;
export type GroupKeyName = (typeof GROUP_KEYS)[number];

export interface GroupKey {
  key: GroupKeyName;
  /** For `week of done`: the field that day, week, month and period go by; null for the earlier of due and plan. */
  of: DateField | null;
  descending: boolean;
}

export const ORDER_KEYS = [...DATE_FIELDS, 'day', 'back', 'status', 'priority', 'takes', 'note', 'path', 'text', 'owner', 'asked'] as const;
export type OrderKeyName = (typeof ORDER_KEYS)[number];

export interface OrderKey {
  key: OrderKeyName;
  descending: boolean;
}

/** A gather as it was read. */
export interface Gather {
  title: string | null;
  /** Null gathers everything. */
  where: Condition | null;
  groupBy: GroupKey[];
  /** Null is the default order: late first, then priority, due, plan, place. */
  orderBy: OrderKey[] | null;
  limit: number | null;
  limitPerGroup: number | null;
  includingResting: boolean;
}

/** What a gather is answered against. */
export interface GatherContext {
  today: Day;
  firstDayOfWeek: Weekday;
  /** The handle of the person of the settings; null when none is set. */
  me: string | null;
  /** The note that holds the block. */
  thisNote: { path: string; journal: Day | null; handle: string | null } | null;
}

/** Why a gather cannot be read; offsets are into its text. */
export interface GatherError {
  message: string;
  from: number;
  to: number;
}
