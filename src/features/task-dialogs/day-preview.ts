import type { ActionContext } from '../../core/task/acts/action-context';
import { act } from '../../core/task/acts/act';
import { applyChanges } from '../../core/task/writing/edit';
import type { Intention } from '../../core/task/acts/intention';
import { readTail } from '../../core/task/line/tail';
import { type ChipLook, chipsOf } from '../../ui/marks/chip-look';
import type { DateStyle } from '../../core/calendar/day-name';

export type DayWhat = 'plan' | 'due' | 'rest';

/** What the words of the day dialog ask for. */
export function dayIntention(what: DayWhat, typed: string): Intention {
  const words = dayWords(typed);
  return what === 'rest' ? { do: 'rest', until: words } : { do: 'push', to: what === 'due' ? `by ${words}` : `plan ${words}` };
}

/** The day alone: what it is for was said by where it is typed. */
const dayWords = (typed: string): string => typed.trim().replace(/^(?:by|due|on|plan|from|until)\s+/i, '');

/**
 * What typed words would do to a task, as it will show: the chip of its day; or why nothing. Null while nothing is typed.
 *
 * @param raw the line of the task
 */
export function dayPreview(
  raw: string,
  what: DayWhat,
  words: string,
  context: ActionContext,
  style: DateStyle,
): { chip: ChipLook } | { problem: string } | null {
  if (words.trim() === '') return null;
  // By itself, so that an indented line is no code.
  const line = raw.trimStart();
  const outcome = act(line, { line: 0, expected: line }, dayIntention(what, words), context);
  if ('refused' in outcome)
    return {
      problem: outcome.refused
        .replace(/,? so nothing was changed\.$/, '.')
        .replace(/; nothing was changed\.$/, '.')
        .replace(/^“(?:by|plan) /, '“'),
    };
  const today = context.now.day;
  const tail = readTail(applyChanges(line, outcome.changes), 0);
  const name = what === 'rest' ? 'start' : what;
  const clause = tail?.clauses.find((one) => one.name === name);
  const [chip] = clause && tail ? chipsOf({ ...tail, clauses: [clause] }, { today, style, open: true, restsUntil: null }, 'note') : [];
  return chip ? { chip } : { problem: 'That day is the one it has.' };
}
