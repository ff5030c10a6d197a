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
] as const;

/** The path of a page that ships. */
export const shippedPath = (name: (typeof SHIPPED_NAMES)[number]): string => `Agenda/${name}.md`;

/** What is due by now but planned later: it left Today, whose head says how many these are, and opens Ahead. */
export const PLANNED_LATER = 'where open and due <= today and plan > today';
