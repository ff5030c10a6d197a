import { ListFilter, X } from 'lucide-react';
import { Suspense, lazy, useId, useMemo, useRef, useState } from 'react';
import { type Narrowing, isLeftOut, isNarrowed, otherWay, typedCondition } from '../../core/gather/answer/narrow';
import type { AnswerView, RowView } from '../../core/index/live/view';
import { Menu, MenuCheck, MenuInside } from '../../ui/menu';
import { SideChoice } from './SideChoice';
import { useSetParameter } from '../session/places/routes';
import type { OfferKeys } from './NarrowOffers';

const NarrowOffers = lazy(() => import('./NarrowOffers').then((part) => ({ default: part.NarrowOffers })));

interface NarrowBarProps {
  narrowing: Narrowing;
  onChange: (narrowing: Omit<Narrowing, 'only'>) => void;
  answers: readonly (AnswerView | undefined)[];
}

/** So many names can be switched on; others are typed. */
const MOST_NAMES = 24;
const TIMES: [condition: string, label: string][] = [
  ['late', 'late'],
  ['due = today or plan = today', 'today'],
  ['due in this week or plan in this week', 'this week'],
  ['without due and without plan', 'no day'],
  ['takes <= 30m', 'half an hour at most'],
];

/** Narrows every list of a page at once: by words or a condition, by names and times that occur, with what rests or without. */
export function NarrowBar({ narrowing, onChange, answers }: NarrowBarProps) {
  const setParameter = useSetParameter();
  const { only, typed, chosen, resting } = narrowing;
  const set = (change: Partial<Narrowing>): void => onChange({ typed, chosen, resting, ...change });
  const [isWriting, setIsWriting] = useState(false);
  const offers = useRef<OfferKeys>(null);
  const list = useId();
  const offering = isWriting && typed.trim() !== '';
  const without = (condition: string): string[] => chosen.filter((one) => one !== condition && one !== otherWay(condition));
  /** Wanted, then left out, then neither. */
  const turn = (condition: string): void => {
    const next = chosen.includes(condition) ? [otherWay(condition)] : chosen.includes(otherWay(condition)) ? [] : [condition];
    set({ chosen: [...without(condition), ...next] });
  };
  const turnRound = (condition: string): void => set({ chosen: chosen.map((one) => (one === condition ? otherWay(one) : one)) });
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
          aria-controls={list}
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
          <Suspense>
            <NarrowOffers
              ref={offers}
              id={list}
              typed={typed.trim()}
              onChoose={(condition, wanted) =>
                set({ typed: '', chosen: [...without(condition), wanted ? condition : otherWay(condition)] })
              }
            />
          </Suspense>
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
        <NameChoices answers={answers} chosen={chosen} onTurn={turn} />
        <Choices label="Times" conditions={TIMES} chosen={chosen} onTurn={turn} />
        <MenuCheck label="Bring in what rests" checked={resting} onChange={(on) => set({ resting: on })} />
      </Menu>
      <SideChoice />
      {chosen.map((condition) => (
        <span key={condition} className="flex items-center rounded-md bg-primary-soft ps-2">
          <button
            type="button"
            className="min-h-[25px] hover:underline"
            title={isLeftOut(condition) ? 'Want it instead' : 'Leave it out instead'}
            onClick={() => turnRound(condition)}
          >
            {condition}
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-label={`No longer ${condition}`}
            onClick={() => set({ chosen: chosen.filter((one) => one !== condition) })}
          >
            <X size={14} aria-hidden="true" />
          </button>
        </span>
      ))}
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

interface ChoicesProps {
  label: string;
  conditions: readonly (readonly [condition: string, label: string])[];
  chosen: readonly string[];
  /** A press wants it, the next one leaves it out, a third lets go. */
  onTurn: (condition: string) => void;
}

function Choices({ label, conditions, chosen, onTurn }: ChoicesProps) {
  return (
    <MenuInside label={label}>
      {conditions.map(([condition, words]) => (
        <MenuCheck
          key={condition}
          label={chosen.includes(otherWay(condition)) ? `not ${words}` : words}
          checked={chosen.includes(condition) || chosen.includes(otherWay(condition))}
          onChange={() => onTurn(condition)}
        />
      ))}
    </MenuInside>
  );
}

/** The names that occur: they are looked for only when the menu is opened. */
function NameChoices({ answers, chosen, onTurn }: Pick<ChoicesProps, 'chosen' | 'onTurn'> & Pick<NarrowBarProps, 'answers'>) {
  const names = useMemo(() => namesIn(answers), [answers]);
  return (
    <>
      {names.tags.length > 0 && <Choices label="Tags" conditions={names.tags.map((tag) => [tag, tag])} chosen={chosen} onTurn={onTurn} />}
      {names.people.length > 0 && (
        <Choices label="People" conditions={names.people.map((person) => [person, person])} chosen={chosen} onTurn={onTurn} />
      )}
    </>
  );
}

/** The tags and people of what is shown, the most frequent first. */
function namesIn(answers: readonly (AnswerView | undefined)[]): { tags: string[]; people: string[] } {
  const tags = new Map<string, number>();
  const people = new Map<string, number>();
  const count = (into: Map<string, number>, name: string): void => void into.set(name, (into.get(name) ?? 0) + 1);
  const walk = (row: RowView): void => {
    for (const tag of row.tags) count(tags, `#${tag.toLowerCase()}`);
    for (const person of row.people) count(people, `@${person}`);
    row.steps.forEach(walk);
  };
  for (const answer of answers) for (const group of answer?.groups ?? []) group.rows.slice(0, 500).forEach(walk);
  const first = (from: Map<string, number>): string[] =>
    [...from]
      .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
      .slice(0, MOST_NAMES)
      .map(([name]) => name);
  return { tags: first(tags), people: first(people) };
}
