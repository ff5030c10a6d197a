const WORDS = /^(?:(\d+(?:\.\d+)?)d)? ?(?:(\d+(?:\.\d+)?)h)? ?(?:(\d+)m(?:in)?)?$/;
const ISO = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?)?$/;

/** The largest estimate that is read, in minutes: ten years of days. */
const LONGEST = 3650 * 24 * 60;

/**
 * Reads a working time, in whole minutes: `30m`, `1h30m`, `1.5h`, `1d`, or a duration of ISO 8601
 * (`PT90M`, `P1D`). A day is a working day of `minutesADay`. Null when the words are none.
 *
 * @example readDuration('1h30m') // 90
 */
export function readDuration(words: string, minutesADay = 480): number | null {
  if (known.minutesADay !== minutesADay || known.values.size > 2000) known = { minutesADay, values: new Map() };
  let value = known.values.get(words);
  if (value === undefined) known.values.set(words, (value = durationFrom(words, minutesADay)));
  return value;
}

/** Most notes of a library say the same few times. */
let known: { minutesADay: number; values: Map<string, number | null> } = { minutesADay: 0, values: new Map() };

function durationFrom(words: string, minutesADay: number): number | null {
  const match = words === '' || words === 'P' || words.endsWith('T') ? null : (WORDS.exec(words) ?? ISO.exec(words));
  if (!match) return null;
  const minutes = Math.round(Number(match[1] ?? 0) * minutesADay + Number(match[2] ?? 0) * 60 + Number(match[3] ?? 0));
  return minutes <= LONGEST ? minutes : null;
}

/** Minutes as people read them: `45m`, `1h 30`, `2h`. */
export function durationName(minutes: number): string {
  if (minutes < 60) return `${minutes}m`;
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)}h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`;
}

/** Minutes as a tail writes them: `90` is `1h30m`. */
export function minutesText(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return hours === 0 ? `${rest}m` : `${hours}h${rest === 0 ? '' : `${rest}m`}`;
}
