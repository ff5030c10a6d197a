import { dayFrom } from '../../src/core/calendar/day';
import type { Now } from '../../src/core/calendar/span';
import type { Zone } from '../../src/core/sharing/outside/vtodo';

const MINUTE = 60_000;
const DAY = 1440;

/**
 * Moments between UTC and a zone of the IANA database.
 *
 * @example zoneNamed('Europe/Berlin').fromUtc({ day: 20780, minute: 480 }) // { day: 20780, minute: 540 }
 * @throws RangeError where there is no zone of that name
 */
export function zoneNamed(name: string): Zone {
  const format = new Intl.DateTimeFormat('en-GB-u-ca-gregory-hc-h23', {
    ...{ timeZone: name, year: 'numeric', month: 'numeric', day: 'numeric', hour: 'numeric', minute: 'numeric' },
  });
  const fromUtc = ({ day, minute }: Now): Now => {
    const parts = format.formatToParts((day * DAY + minute) * MINUTE);
    const part = (type: Intl.DateTimeFormatPartTypes): number => Number(parts.find((one) => one.type === type)?.value ?? 0);
    return {
      day: dayFrom({ year: part('year'), month: part('month'), day: part('day') }),
      minute: part('hour') * 60 + part('minute'),
    };
  };
  return { fromUtc, toUtc: (moment) => toUtc(moment, fromUtc) };
}

/** A local moment that comes twice is the first of both; one that never comes is so much later. */
function toUtc(moment: Now, fromUtc: (one: Now) => Now): Now {
  const wanted = moment.day * DAY + moment.minute;
  const offsetAt = (minutes: number): number => {
    const local = fromUtc(ofMinutes(minutes));
    return local.day * DAY + local.minute - minutes;
  };
  const [before, after] = [offsetAt(wanted - DAY), offsetAt(wanted + DAY)];
  const first = wanted - Math.max(before, after);
  const other = wanted - Math.min(before, after);
  const fits = [first, other].find((minutes) => minutes + offsetAt(minutes) === wanted);
  return ofMinutes(fits ?? wanted - before);
}

const ofMinutes = (minutes: number): Now => ({ day: Math.floor(minutes / DAY), minute: minutes - Math.floor(minutes / DAY) * DAY });

/** The present moment in UTC. */
export function nowInUtc(at: Date): Now {
  const minutes = Math.floor(at.getTime() / MINUTE);
  return ofMinutes(minutes);
}
