import type { Day } from '../../../calendar/day';
import { parseGather } from '../../../gather/language/parse';
import { standingTest } from '../../../gather/writing/written-task';
import { ACTION_DEFAULTS } from '../../../task/acts/action-context';
import type { Library } from '../../library';

/** On which agenda pages a task line would stand that is written into a note, on each of some days; pages by path. */
export function standsIn(library: Library, line: string, path: string, days: readonly Day[]): { day: Day; pages: string[] }[] {
  const pages = [...library.entries.values()].filter(({ head, gathers }) => head.kind === 'agenda' && gathers.length > 0);
  pages.sort((a, b) => (a.head.path < b.head.path ? -1 : 1));
  return days.map((day) => ({
    day,
    pages: pages.filter((page) => page.gathers.some((text) => stands(library, text, line, path, day))).map(({ head }) => head.title),
  }));
}

function stands(library: Library, text: string, line: string, path: string, day: Day): boolean {
  const { gather, errors } = parseGather(text);
  if (errors.length > 0 || gather.from !== 'tasks') return false;
  const acting = { now: { day, minute: null }, settings: ACTION_DEFAULTS, makeRef: () => '' };
  return standingTest(gather, { ...library.contextAt(null), today: day }, acting, path)(line);
}
