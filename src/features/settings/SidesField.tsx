import { useState } from 'react';
import { parseGather } from '../../core/gather/language/parse';
import type { Settings } from '../../store/device/settings';

type Sides = Settings['sides'];

interface SidesFieldProps {
  label: string;
  value: Sides;
  onChange: (value: Sides) => void;
}

/** What is wrong with the condition of a side; null when it can be read. */
const problemOf = (condition: string): string | null =>
  condition.trim() === '' ? 'A side needs a condition.' : (parseGather(`where ${condition}`).errors[0]?.message ?? null);

/** Names, each with a condition of the gather language, by which agenda pages and the day can be narrowed. */
export function SidesField({ label, value, onChange }: SidesFieldProps) {
  const [name, setName] = useState('');
  const [condition, setCondition] = useState('');
  const problem = condition.trim() === '' ? null : problemOf(condition);
  const isTaken = value.some((side) => side.name.toLowerCase() === name.trim().toLowerCase());
  const canAdd = name.trim() !== '' && !isTaken && problemOf(condition) === null;
  return (
    <fieldset className="max-w-2xl">
      <legend className="section-label mb-1">{label}</legend>
      <ul>
        {value.map((side, at) => (
          <li key={side.name} className="flex flex-wrap items-center gap-2 py-0.5">
            <span className="w-40 font-semibold">{side.name}</span>
            <input
              className="field min-w-48 flex-1 font-mono text-[0.86rem]"
              aria-label={`Condition of ${side.name}`}
              defaultValue={side.condition}
              onBlur={(event) => {
                const next = event.target.value.trim();
                if (problemOf(next) === null) onChange(value.map((one, place) => (place === at ? { ...one, condition: next } : one)));
                else event.target.value = side.condition;
              }}
            />
            <button type="button" className="quiet-button text-[0.86rem]" onClick={() => onChange(value.filter((one) => one !== side))}>
              Remove {side.name}
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <input
          className="field w-40"
          aria-label="Name of a new side"
          placeholder="House"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <input
          className="field min-w-48 flex-1 font-mono text-[0.86rem]"
          aria-label="Condition of a new side"
          placeholder='#house or path in "Private"'
          value={condition}
          onChange={(event) => setCondition(event.target.value)}
        />
        <button
          type="button"
          className="line-button"
          disabled={!canAdd}
          onClick={() => {
            onChange([...value, { name: name.trim(), condition: condition.trim() }]);
            setName('');
            setCondition('');
          }}
        >
          Add a side
        </button>
      </div>
      <p role="status" className="mt-1 text-[0.86rem] text-muted">
        {isTaken ? 'Another side has this name.' : (problem ?? 'Agenda pages and the day can be narrowed to one or several of them.')}
      </p>
    </fieldset>
  );
}
