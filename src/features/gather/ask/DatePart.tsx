import { useState } from 'react';
import { isoDay } from '../../../core/calendar/day';
import { type Condition, DATE_FIELDS, type GatherContext, NOTE_DATE_FIELDS } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { conditionText } from '../../../core/gather/saying/print';
import { MonthGrid } from '../../../ui/form/MonthGrid';
import { Choices } from './Choices';

type DateCondition = Extract<Condition, { is: 'date' | 'in' }>;

interface DatePartProps {
  condition: DateCondition;
  ofNotes: boolean;
  context: GatherContext;
  onChange: (condition: Condition) => void;
}

/** How a date may stand to another one, in words and in the language. */
const SIGNS = [
  ['on', '='],
  ['before', '<'],
  ['on or before', '<='],
  ['after', '>'],
  ['on or after', '>='],
  ['not on', '!='],
  ['within', 'in'],
] as const;
const DAYS = ['today', 'tomorrow', 'yesterday', 'end of week', 'start of month', 'end of month', 'today + 2 weeks', 'today - 1 month'];
const RANGES = [
  'this week',
  'next week',
  'last week',
  'this month',
  'next month',
  'next 7 days',
  'next 14 days',
  'last 7 days',
  'last 30 days',
];

/** Changes a condition on a date: which date, how it stands, and to which day, as words, picked, or typed. */
export function DatePart({ condition, ofNotes, context, onChange }: DatePartProps) {
  const [, field = '', sign = '', value = ''] = /^(\S+) (=|!=|<=?|>=?|in) (.*)$/.exec(conditionText(condition)) ?? [];
  const [typed, setTyped] = useState<string | null>(null);
  const isRange = sign === 'in';
  const say = (next: { field?: string; sign?: string; value?: string }): Condition | null => {
    const { errors, gather } = parseGather(
      `${ofNotes ? 'from notes ' : ''}where ${next.field ?? field} ${next.sign ?? sign} ${next.value ?? value}`,
    );
    return errors.length === 0 ? gather.where : null;
  };
  const set = (next: Parameters<typeof say>[0]): void => {
    const said = say(next);
    if (said) onChange(said);
  };
  const wrong = typed !== null && typed.trim() !== '' && say({ value: typed }) === null;
  return (
    <div className="mb-2">
      <Choices
        label="Which date"
        options={ofNotes ? NOTE_DATE_FIELDS : DATE_FIELDS}
        chosen={[field]}
        onChoose={(one) => set({ field: one })}
      />
      <Choices
        label="How it stands"
        options={SIGNS.map(([words]) => words)}
        chosen={SIGNS.filter(([, one]) => one === sign).map(([words]) => words)}
        onChoose={(words) => {
          const next = SIGNS.find(([one]) => one === words)?.[1] ?? '=';
          // A day and a range of days are said otherwise.
          set({ sign: next, ...((next === 'in') !== isRange && { value: next === 'in' ? 'this week' : 'today' }) });
        }}
      />
      <Choices
        label={isRange ? 'Which days' : 'Which day'}
        options={isRange ? RANGES : DAYS}
        chosen={[value]}
        onChoose={(one) => set({ value: one })}
      />
      <label className="mb-2 grid gap-0.5 text-[0.86rem] text-muted">
        {isRange ? 'Or typed: next 3 weeks, 2026-W48, 2026-12-01..2026-12-24' : 'Or typed: today + 10 days, fri, 2026-12-24'}
        <input
          className="field max-w-80"
          value={typed ?? value}
          aria-invalid={wrong}
          onChange={(event) => {
            setTyped(event.target.value);
            set({ value: event.target.value });
          }}
          onBlur={() => setTyped(null)}
        />
        {wrong && <span className="text-late">This is no {isRange ? 'range of days' : 'day'} yet.</span>}
      </label>
      {!isRange && (
        <details>
          <summary className="min-h-[25px] cursor-pointer text-[0.86rem] text-muted">Pick it from a month</summary>
          <MonthGrid
            today={context.today}
            chosen={null}
            firstDayOfWeek={context.firstDayOfWeek}
            onChoose={(day) => set({ value: isoDay(day) })}
          />
        </details>
      )}
    </div>
  );
}
