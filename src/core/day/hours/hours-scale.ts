import { type Stretch, freeIn } from './hours';

/** Hours that nothing takes and nobody works, drawn as a sign of one height. */
export interface Fold extends Stretch {
  /** From the upper edge, in pixels. */
  top: number;
}

/** Where the minutes of a day, or of several days beside each other, stand on the screen. */
export interface HoursScale {
  /** In pixels, as all that follows. */
  height: number;
  folds: readonly Fold[];
  /** The full hours that are drawn, in minutes after midnight. */
  hours: readonly number[];
  topOf: (minute: number) => number;
  /** The minute that stands at a height; inside a sign the nearer of its ends. */
  minuteAt: (y: number) => number;
}

/** The height of a sign, in pixels; it is pressed to open. */
export const SIGN_HEIGHT = 27;
/** What is shorter is not worth a sign, in minutes. */
const LONG = 120;

/**
 * The hours from one to another, with those folded that are long and hold nothing. What is worked in is never folded, for that is where things
 * are dropped.
 *
 * @param shown on full hours
 * @param filled what may not be folded: what is there, and the working hours
 * @param pixelsAMinute how tall a minute is drawn
 * @param opened the beginnings of the stretches that are shown all the same
 * @example hoursScale({ from: 300, to: 1020 }, [{ from: 300, to: 360 }, { from: 540, to: 1020 }], 1).folds // [{ from: 360, to: 540, top: 60 }]
 */
export function hoursScale(
  { from, to }: Stretch,
  filled: readonly Stretch[],
  pixelsAMinute: number,
  opened: ReadonlySet<number> = new Set(),
): HoursScale {
  const folds: Fold[] = [];
  let saved = 0;
  for (const gap of freeIn({ from, to }, filled)) {
    const fold = { from: Math.ceil(gap.from / 60) * 60, to: Math.floor(gap.to / 60) * 60 };
    if (fold.to - fold.from < LONG || opened.has(fold.from)) continue;
    folds.push({ ...fold, top: (fold.from - from) * pixelsAMinute - saved });
    saved += (fold.to - fold.from) * pixelsAMinute - SIGN_HEIGHT;
  }
  const topOf = (minute: number): number => {
    let top = (minute - from) * pixelsAMinute;
    for (const fold of folds) {
      if (minute <= fold.from) break;
      const inside = Math.min(minute, fold.to) - fold.from;
      top -= inside * pixelsAMinute - (SIGN_HEIGHT * inside) / (fold.to - fold.from);
    }
    return top;
  };
  const minuteAt = (y: number): number => {
    let start = { minute: from, top: 0 };
    for (const fold of folds) {
      if (y < fold.top) break;
      if (y < fold.top + SIGN_HEIGHT) return y - fold.top < SIGN_HEIGHT / 2 ? fold.from : fold.to;
      start = { minute: fold.to, top: fold.top + SIGN_HEIGHT };
    }
    return start.minute + (y - start.top) / pixelsAMinute;
  };
  const hours = Array.from({ length: Math.round((to - from) / 60) }, (_, index) => from + index * 60);
  return {
    height: topOf(to),
    folds,
    hours: hours.filter((hour) => !folds.some((fold) => hour >= fold.from && hour < fold.to)),
    topOf,
    minuteAt,
  };
}
