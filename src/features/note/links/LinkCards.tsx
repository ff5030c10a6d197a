import { useEffect, useRef, useState } from 'react';
import { HoverCard } from '../../../ui/HoverCard';
import { CARD_ASKED, placeMeant } from './card-place';
import { late } from '../../../ui/late';

const LinkCard = late(() => import('./LinkCard').then((part) => part.LinkCard));

/** How long a pointer rests on a link before its card shows, and stays away before it goes; in milliseconds. */
const OPENS = 500;
const CLOSES = 250;
const WIDTH = 352;

interface Shown {
  /** The place that the link stands for, as `placeMeant` reads it. */
  place: string;
  /** The note in which the link stands. */
  from: HTMLElement;
  left: number;
  top: number;
  /** Whether it was asked for by key, and takes the focus. */
  byKey: boolean;
}

/** The card of the link on which the pointer rests, or for which a key asked: its first lines and open tasks, which can be ticked there. */
export function LinkCards() {
  const [shown, setShown] = useState<Shown | null>(null);
  const card = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const gone = new AbortController();
    const { signal } = gone;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over: Element | null = null;
    const show = (from: HTMLElement, byKey: boolean): void => {
      const place = placeMeant(from);
      if (place === null || !from.isConnected) return;
      const { left, bottom, top } = from.getBoundingClientRect();
      const below = bottom + 260 < window.innerHeight;
      setShown({
        place,
        from,
        byKey,
        left: Math.max(8, Math.min(left, window.innerWidth - WIDTH - 8)),
        top: below ? bottom + 4 : Math.max(8, top - 264),
      });
    };
    const moved = (event: PointerEvent): void => {
      if (event.pointerType === 'mouse') reached(event.target as Element);
    };
    const reached = (at: Element): void => {
      if (card.current?.contains(at)) return clearTimeout(timer);
      const link = at.closest<HTMLElement>('[data-link], [data-name]');
      if (link === over) return;
      over = link;
      clearTimeout(timer);
      if (link) timer = setTimeout(() => show(link, false), OPENS);
      else timer = setTimeout(() => !card.current?.contains(document.activeElement) && setShown(null), CLOSES);
    };
    // The pointer may rest on a link since before this was there.
    const under = [...document.querySelectorAll(':hover')].at(-1);
    if (under?.closest('[data-link], [data-name]')) reached(under);
    const hide = (): void => {
      clearTimeout(timer);
      setShown(null);
    };
    document.addEventListener('pointerover', moved, { signal });
    document.addEventListener('pointerdown', (event) => !card.current?.contains(event.target as Node) && hide(), { signal });
    document.addEventListener(CARD_ASKED, (event) => event.target instanceof HTMLElement && show(event.target, true), { signal });
    window.addEventListener('popstate', hide, { signal });
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, []);
  if (!shown) return null;
  return (
    <HoverCard
      card={card}
      label="What the link leads to"
      at={{ left: shown.left, top: shown.top }}
      className="max-h-[16.5rem] w-[24.25rem] rounded-lg"
      onEscape={(inside) => {
        setShown(null);
        if (!inside && !shown.byKey) return;
        const row = shown.from.closest('[data-row]')?.querySelector<HTMLElement>('.task-mark, .row-focus');
        (shown.from.closest<HTMLElement>('[contenteditable]') ?? row)?.focus();
      }}
      onKey={(event) => !card.current?.contains(event.target as Node) && setShown(null)}
      onClick={(event) => (event.target as Element).closest('a') && setShown(null)}
    >
      <LinkCard key={shown.place} place={shown.place} takesFocus={shown.byKey} />
    </HoverCard>
  );
}
