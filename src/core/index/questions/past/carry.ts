import type { Day } from '../../../calendar/day';
import { type CarryOffer, carryOffer, leftAloneSign } from '../../../day/plan/carry-forward';
import type { Library } from '../../library';
import { type FoundTask, foundOf } from '../of-a-task/found-task';

/** A task that an earlier day left open, as the page shows it. */
export interface LeftOpenTask extends FoundTask {
  /** The day for which it was planned. */
  day: Day;
  /** By which it is known that it was left alone. */
  sign: string;
}

export interface CarryAnswer {
  /** How many are offered. */
  count: number;
  /** These; where fewer were asked for, the first. */
  offered: LeftOpenTask[];
  left: CarryOffer['left'];
}

/**
 * What earlier days left open in all notes.
 *
 * @param most how many of them are told; all are counted
 */
export function carriedBy(library: Library, leftAlone: ReadonlySet<string>, most = Infinity): CarryAnswer {
  // Only what has a plan or stands on a journal page can have been planned for a day.
  const found = library.ask('open and (plan < today or journal < today)\nsteps apart\nincluding resting').answer.groups;
  const rows = found.flatMap((group) => group.rows.map(({ row }) => row));
  const { offered, left } = carryOffer(rows, library.today, library.daySettings, (one) => leftAlone.has(leftAloneSign(one)));
  const told = offered.slice(0, most);
  return { count: offered.length, offered: told.map((one) => ({ ...foundOf(one.row), day: one.day, sign: leftAloneSign(one) })), left };
}
