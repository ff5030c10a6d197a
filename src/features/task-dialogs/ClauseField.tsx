import { useId, useState } from 'react';
import { isoDay } from '../../core/calendar/day';
import { MonthGrid } from '../../ui/form/MonthGrid';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import type { DetailClause } from './details';
import { Labelled } from '../../ui/form/Labelled';

const LABELS: Record<DetailClause, [label: string, hint: string]> = {
  due: ['Due', 'fri 15:00'],
  plan: ['Plan', 'tomorrow, week 49'],
  start: ['Rests until', '1 dec, 2 days before'],
  every: ['Every', 'mon, thu 10:00'],
  until: ['Repeats until', 'end of month'],
  lapses: ['Lapses after', 'fri'],
  takes: ['Takes', '1h30m'],
  owner: ['Owner', '@kofi, nobody'],
  asked: ['Asked by', '@bea'],
  remind: ['Remind', '1h before, 09:00'],
};
const DATED: ReadonlySet<DetailClause> = new Set(['due', 'plan', 'start', 'until', 'lapses']);

interface ClauseFieldProps {
  name: DetailClause;
  value: string;
  /** What was understood, or why it cannot be stored; null while nothing was changed. */
  understood: { words: string; fine: boolean } | null;
  onChange: (value: string) => void;
}

/** A clause in words; what was understood is shown below it, and a month for days. */
export function ClauseField({ name, value, understood, onChange }: ClauseFieldProps) {
  const now = useNow();
  const firstDayOfWeek = useAppSelector((state) => state.settings.firstDayOfWeek);
  const [picking, setPicking] = useState(false);
  const told = useId();
  const [label, hint] = LABELS[name];
  const wrong = understood !== null && !understood.fine;
  return (
    <div className="grid content-start gap-0.5">
      <Labelled label={label}>
        <input
          className={`field w-full ${wrong ? 'border-late' : ''}`}
          name={name}
          value={value}
          placeholder={hint}
          aria-invalid={wrong}
          aria-describedby={understood ? told : undefined}
          onChange={(event) => onChange(event.target.value)}
        />
      </Labelled>
      {understood && (
        <span id={told} className={`text-[0.82rem] ${wrong ? 'text-late' : 'text-muted'}`}>
          {wrong && /cannot be read/.test(understood.words) ? `“${value.trim()}” cannot be read. Say it like ${hint}.` : understood.words}
        </span>
      )}
      {DATED.has(name) && (
        <button
          type="button"
          className="quiet-button justify-self-start text-[0.82rem]"
          aria-expanded={picking}
          onClick={() => setPicking(!picking)}
        >
          {picking ? 'Close the month' : 'Pick a day'}
        </button>
      )}
      {picking && (
        <div className="col-span-2">
          <MonthGrid
            today={now.day}
            chosen={null}
            firstDayOfWeek={firstDayOfWeek}
            onChoose={(day) => {
              onChange(isoDay(day));
              setPicking(false);
            }}
          />
        </div>
      )}
    </div>
  );
}
