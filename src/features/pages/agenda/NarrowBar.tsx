import { ListFilter, X } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { type Narrowing, isNarrowed, otherWay, typedCondition } from '../../../core/gather/answer/narrow';
import type { AnswerView } from '../../../core/index/live/view';
import { Menu } from '../../../ui/menu/menu';
import { SideChoice } from './SideChoice';
import { useSetParameter } from '../../session/places/routes';
import type { OfferKeys } from './NarrowOffers';
import { late } from '../../../ui/late';

const NarrowMenu = late(() => import('./NarrowMenu').then((part) => part.NarrowMenu));
const NarrowChosen = late(() => import('./NarrowChosen').then((part) => part.NarrowChosen));
const NarrowOffers = late(() => import('./NarrowOffers').then((part) => part.NarrowOffers));

interface NarrowBarProps {
  narrowing: Narrowing;
  onChange: (narrowing: Omit<Narrowing, 'only'>) => void;
  answers: readonly (AnswerView | undefined)[];
}

/** Narrows every list of a page at once: by words or a condition, by names and times that occur, with what rests or without. */
export function NarrowBar({ narrowing, onChange, answers }: NarrowBarProps) {
  const setParameter = useSetParameter();
  const { only, typed, chosen, resting } = narrowing;
  const set = (change: Partial<Narrowing>): void => onChange({ typed, chosen, resting, ...change });
  const [isWriting, setIsWriting] = useState(false);
  /** The offer that is meant, by its id. */
  const [active, setActive] = useState<string | null>(null);
  const offers = useRef<OfferKeys>(null);
  const list = useId();
  const offering = isWriting && typed.trim() !== '';
  const without = (condition: string): string[] => chosen.filter((one) => one !== condition && one !== otherWay(condition));
  /** Wanted, then left out, then neither. */
  const turn = (condition: string): void => {
    const next = chosen.includes(condition) ? [otherWay(condition)] : chosen.includes(otherWay(condition)) ? [] : [condition];
    set({ chosen: [...without(condition), ...next] });
  };
  const dropOnly = (): void => setParameter('only', null, true);
  const keepInAddress = (): void => {
    const condition = typedCondition(typed);
    if (condition === null) return;
    set({ typed: '' });
    setParameter('only', condition);
  };
  return (
    <div className="no-print mb-3 flex flex-wrap items-center gap-2 text-[0.92rem]" role="search" aria-label="Narrow the lists">
      <span className="relative flex min-w-48 flex-1">
        <input
          type="search"
          className="field w-full"
          role="combobox"
          aria-expanded={offering}
          aria-controls={offering ? list : undefined}
          aria-activedescendant={active ?? undefined}
          aria-autocomplete="list"
          onFocus={() => setIsWriting(true)}
          onBlur={() => setIsWriting(false)}
          aria-label="Narrow by words or a condition"
          placeholder="Narrow by words, or #loans and due < today"
          value={typed}
          onChange={(event) => set({ typed: event.target.value })}
          onKeyDown={(event) => {
            if (event.key === 'Escape') set({ typed: '' });
            else if (offering && offers.current?.onKey(event)) event.preventDefault();
          }}
        />
        {offering && (
          <NarrowOffers
            ref={offers}
            id={list}
            typed={typed.trim()}
            onActive={setActive}
            onChoose={(condition, wanted) => set({ typed: '', chosen: [...without(condition), wanted ? condition : otherWay(condition)] })}
          />
        )}
      </span>
      <Menu
        trigger={
          <button type="button" className="line-button">
            <ListFilter size={14} aria-hidden="true" />
            {chosen.length === 0 ? 'Narrow' : `Narrow · ${chosen.length}`}
          </button>
        }
      >
        <NarrowMenu answers={answers} chosen={chosen} onTurn={turn} resting={resting} onResting={(on) => set({ resting: on })} />
      </Menu>
      <SideChoice />
      {chosen.length > 0 && <NarrowChosen chosen={chosen} onChange={(next) => set({ chosen: next })} />}
      {only !== null && (
        <span className="flex items-center gap-1 rounded-md bg-primary-soft px-2">
          only {only}
          <button type="button" className="quiet-button" aria-label="Show the whole page again" onClick={dropOnly}>
            <X size={14} aria-hidden="true" />
          </button>
        </span>
      )}
      {only === null && typed.trim() !== '' && (
        <button type="button" className="quiet-button" onClick={keepInAddress}>
          Keep in the address
        </button>
      )}
      {isNarrowed({ ...narrowing, only: null, sides: [] }) && (
        <button type="button" className="quiet-button" onClick={() => onChange({ typed: '', chosen: [], resting: false })}>
          Show all
        </button>
      )}
    </div>
  );
}
