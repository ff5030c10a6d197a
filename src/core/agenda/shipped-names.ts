import { foldPath } from '../note/names/path';

/** The agenda pages that ship, in the order of the rack; their texts stand in `shipped.ts`, which few need. */
export const SHIPPED_NAMES = [
  'Today',
  'Ahead',
  'Inbox',
  'Undated',
  'Resting',
  'Waiting',
  'By note',
  'By tag',
  'People',
  'Finished',
  'Board',
  'Month',
  'Projects',
  'Mine',
  'Goals',
  'Without a next step',
  'Stands still',
  'Not now',
  'Finished and still in place',
  'Questions',
  'Lapsed',
  'What comes again',
  'Record of days',
  'Picture of the work',
] as const;

/** The path of a page that ships. */
export const shippedPath = (name: (typeof SHIPPED_NAMES)[number]): string => `Agenda/${name}.md`;

/** What is due by now but planned later: it left Today, whose head says how many these are, and opens Ahead. */
export const PLANNED_LATER = 'where open and due <= today and plan > today';

/** The kinds of note under which a foot ships. */
export const SHIPPED_FOOT_KINDS = ['person', 'project', 'goal', 'tag', 'journal', 'meeting', 'archive'] as const;

/** The path of the foot that ships for a kind; the texts stand in `feet.ts`. */
export const footPath = (kind: (typeof SHIPPED_FOOT_KINDS)[number]): string =>
  `${FEET}Foot of ${/^[aeiou]/.test(kind) ? 'an' : 'a'} ${kind}.md`;

const FEET = 'Agenda/Feet/';

/** Whether a page that ships is a foot. */
export const isFootPath = (path: string): boolean => path.startsWith(FEET);

/** The path, as it ships, of a page that ships; null for one that is a person's own. */
export function shippedAs(path: string): string | null {
  const all = [...SHIPPED_NAMES.map(shippedPath), ...SHIPPED_FOOT_KINDS.map(footPath)];
  return all.find((one) => foldPath(one) === foldPath(path)) ?? null;
}
