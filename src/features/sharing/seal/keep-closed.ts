import type { SealDesk } from '../../../store/seal/seal-desk';

/** A page that nobody sees closes its seals after so long, in milliseconds. */
const OUT_OF_SIGHT = 5 * 60_000;
const MINUTE = 60_000;
/** How often it is looked whether the time is over, in milliseconds: browsers let timers of hidden pages wait. */
const LOOK_EACH = 10_000;

/** What a person does, by which a page knows that somebody is there. */
const SIGNS = ['keydown', 'pointerdown', 'pointermove', 'wheel', 'touchstart'] as const;

/** When a page was used last, and since when it is out of sight, in milliseconds since 1970; how many minutes it may be left. */
interface Left {
  now: number;
  last: number;
  hidden: number | null;
  most: number | null;
}

/** Why seals are to be closed now; null while they may stay open. */
export function whyClosed({ now, last, hidden, most }: Left): 'left' | 'out of sight' | null {
  if (hidden !== null && now - hidden >= OUT_OF_SIGHT) return 'out of sight';
  return most !== null && now - last >= most * MINUTE ? 'left' : null;
}

/**
 * Closes the seals of this tab when nobody did anything for a while, and when it was out of sight for five minutes; at once where it comes
 * back into sight later than that.
 *
 * @param minutes after which it counts as left; null for never
 * @param closed told that it was done, and why
 */
export function keepClosed(desk: SealDesk, minutes: () => number | null, closed: (why: 'left' | 'out of sight') => void): void {
  let last = Date.now();
  let hidden: number | null = document.visibilityState === 'hidden' ? Date.now() : null;
  let closing = false;
  const look = async (): Promise<void> => {
    if (closing || desk.present().open.size === 0) return;
    const why = whyClosed({ now: Date.now(), last, hidden, most: minutes() });
    if (why === null) return;
    closing = true;
    await desk.close().then(
      () => closed(why),
      () => undefined,
    );
    closing = false;
  };
  for (const sign of SIGNS)
    window.addEventListener(
      sign,
      () => {
        // Somebody who comes back too late finds it closed, and does not keep it open by coming.
        if (desk.present().open.size > 0) void look();
        last = Date.now();
      },
      { capture: true, passive: true },
    );
  document.addEventListener('visibilitychange', () => {
    void look();
    hidden = document.visibilityState === 'hidden' ? Date.now() : null;
  });
  let open = 0;
  desk.listen(() => {
    // Whoever opens one is there; what comes from elsewhere is no sign of anybody.
    const now = desk.present().open.size;
    if (now > open) last = Date.now();
    open = now;
  });
  setInterval(() => void look(), LOOK_EACH);
}
