import { useMemo } from 'react';
import { otherWay } from '../../../core/gather/answer/narrow';
import type { AnswerView, RowView } from '../../../core/index/live/view';
import { MenuCheck, MenuInside } from '../../../ui/menu/menu';

interface NarrowMenuProps extends Pick<ChoicesProps, 'chosen' | 'onTurn'> {
  answers: readonly (AnswerView | undefined)[];
  resting: boolean;
  onResting: (resting: boolean) => void;
}

/** So many names can be switched on; others are typed. */
const MOST_NAMES = 24;
const WHOSE: [condition: string, label: string][] = [
  ['owner = me or owner = nobody', 'mine'],
  ['owner != me and owner != nobody', 'others’'],
];
const TIMES: [condition: string, label: string][] = [
  ['late', 'late'],
  ['due = today or plan = today', 'today'],
  ['due in this week or plan in this week', 'this week'],
  ['without due and without plan', 'no day'],
  ['takes <= 30m', 'half an hour at most'],
];

/** What stands in the menu *Narrow*: the names that occur, whose it is, times, and what rests. */
export function NarrowMenu({ answers, chosen, onTurn, resting, onResting }: NarrowMenuProps) {
  return (
    <>
      <NameChoices answers={answers} chosen={chosen} onTurn={onTurn} />
      <Choices label="Whose" conditions={WHOSE} chosen={chosen} onTurn={onTurn} />
      <Choices label="Times" conditions={TIMES} chosen={chosen} onTurn={onTurn} />
      <MenuCheck label="Bring in what rests" checked={resting} onChange={onResting} />
    </>
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
function NameChoices({ answers, chosen, onTurn }: Pick<ChoicesProps, 'chosen' | 'onTurn'> & Pick<NarrowMenuProps, 'answers'>) {
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
