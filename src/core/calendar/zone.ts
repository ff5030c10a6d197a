import { civilFrom } from './day';
import { type Now, nowOfDate } from './span';

const MINUTES = 1440;

/** A moment of the zone of this machine in UTC. */
export function inUtc({ day, minute }: Now): Now {
  const { year, month, day: date } = civilFrom(day);
  const minutes = Math.floor(new Date(year, month - 1, date, 0, minute).getTime() / 60_000);
  return { day: Math.floor(minutes / MINUTES), minute: minutes - Math.floor(minutes / MINUTES) * MINUTES };
}

/** A moment of UTC in the zone of this machine. */
export function fromUtc({ day, minute }: Now): Now {
  return nowOfDate(new Date((day * MINUTES + minute) * 60_000));
}
