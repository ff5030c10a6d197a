import { type KeyboardEvent, type Ref, useEffect, useImperativeHandle, useMemo, useState } from 'react';
import { matching } from '../../gather/ask/choices';
import { useChoices } from '../../gather/ask/use-choices';

/** What takes the keys of the field under which the offers stand. */
export interface OfferKeys {
  /** Whether the key was one of the offers'. */
  onKey: (event: KeyboardEvent) => boolean;
}

interface NarrowOffersProps {
  ref: Ref<OfferKeys>;
  id: string;
  typed: string;
  onChoose: (condition: string, wanted: boolean) => void;
  /** Tells the field which offer is meant, by its id; null for none. */
  onActive: (id: string | null) => void;
}

/** So many offers stand below the field. */
const MOST = 8;

/** Names and conditions that hold what is typed: Enter wants one, Shift+Enter leaves it out. */
export function NarrowOffers({ ref, id, typed, onChoose, onActive }: NarrowOffersProps) {
  const choices = useChoices(typed);
  const all = useMemo(() => choices.map((choice) => ({ ...choice, words: choice.text })), [choices]);
  const shown = useMemo(() => matching(all, typed).slice(0, MOST), [all, typed]);
  // A sign means a name; other words may be meant as they are.
  const [chosen, setChosen] = useState<{ of: string; at: number } | null>(null);
  const at = chosen?.of === typed ? chosen.at : /^(?:[#@]|\[\[)/.test(typed) ? 0 : -1;
  useImperativeHandle(ref, () => ({
    onKey: (event) => {
      const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
      if (by !== undefined && shown.length > 0) {
        setChosen({ of: typed, at: Math.max(-1, Math.min(shown.length - 1, at + by)) });
        return true;
      }
      const one = shown[at];
      if (event.key !== 'Enter' || !one) return false;
      onChoose(one.text, !event.shiftKey);
      return true;
    },
  }));
  const active = shown[at] ? `${id}-${at}` : null;
  useEffect(() => {
    onActive(active);
    return () => onActive(null);
  }, [active, onActive]);
  if (shown.length === 0) return null;
  return (
    <div
      className="absolute start-0 top-full z-20 mt-1 w-max max-w-[min(32rem,86vw)] min-w-full rounded-lg border border-line bg-sheet p-1 shadow-lg"
      data-offers
    >
      <ul id={id} role="listbox" aria-label="Narrow by">
        {shown.map(({ text, hint }, index) => (
          <li
            key={text}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === at}
            className={`flex items-center justify-between gap-2 rounded-md px-2 ${index === at ? 'bg-primary-soft' : 'hover:bg-raised'}`}
            // The field keeps the focus.
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => onChoose(text, true)}
          >
            <span className="min-w-0 truncate">{text}</span>
            <span className="flex flex-none items-center gap-2 text-[0.84rem] text-muted">
              {hint}
              <span
                className="quiet-button min-h-[25px] text-[0.84rem]"
                onClick={(event) => {
                  event.stopPropagation();
                  onChoose(text, false);
                }}
              >
                leave out
              </span>
            </span>
          </li>
        ))}
      </ul>
      <p className="px-2 pt-1 text-[0.8rem] text-muted">
        Enter wants it, Shift+Enter leaves it out; without either, the words are looked for.
      </p>
    </div>
  );
}
