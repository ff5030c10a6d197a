import { useMemo } from 'react';
import { WEEKDAY_LONG } from '../../../core/calendar/day-name';
import { readTime, timeName } from '../../../core/calendar/span';
import { cleanPath } from '../../../core/note/names/path';
import type { Settings, SettingsChange } from '../../../store/device/settings';
import { agendaPages } from '../../frame/rack/folder-tree';
import { useAppSelector } from '../../session/state/state';
import { Choice } from '../../../ui/form/Choice';
import { PAIR_WORDS, PairsField } from './PairsField';
import { NotifyField } from './NotifyField';
import { type ChoiceField, FIELDS, type Field } from './fields';
import { Labelled } from '../../../ui/form/Labelled';

interface SettingFieldProps {
  name: keyof Settings;
  settings: Settings;
  set: (change: SettingsChange) => void;
}

/** What a person sets one setting with; it takes effect at once. */
export function SettingField({ name, settings, set }: SettingFieldProps) {
  const field = FIELDS[name] as Field<unknown>;
  const value: unknown = settings[name];
  const change = (next: unknown): void => set({ [name]: next });
  switch (field.is) {
    case 'choice':
      return <ChoiceOf field={field} value={value} onChoose={change} />;
    case 'number':
      return <NumberOf field={field} value={value as number} onChange={change} />;
    case 'page':
      return <PageOf label={field.label} of={field.of} value={value as string} onChange={change} />;
    case 'week':
      return <WeekOf label={field.label} hours={value as number[]} onChange={change} />;
    case 'handle':
      return (
        <Labelled label={field.label} help={field.help} className="max-w-sm">
          <input
            className="field"
            defaultValue={(value as string | null) ?? ''}
            placeholder="none"
            onBlur={(event) => change(event.target.value.trim().replace(/^@/, '') || null)}
          />
        </Labelled>
      );
    case 'time':
      return (
        <Labelled label={field.label} help={field.help} className="max-w-sm">
          <input
            type="time"
            className="field w-[7rem]"
            value={timeName(value as number)}
            onChange={(event) => {
              const minute = readTime(event.target.value);
              if (minute !== null) change(minute);
            }}
          />
        </Labelled>
      );
    case 'tag':
    case 'heading':
      return (
        <Labelled label={field.label} help={field.help} className="max-w-sm">
          <input
            className="field"
            defaultValue={value as string}
            onBlur={(event) => {
              const words = event.target.value.replace(/^#+/, '').trim();
              if (words !== '') change(words);
              else event.target.value = value as string;
            }}
          />
        </Labelled>
      );
    case 'words':
      return (
        <Labelled label={field.label} help={field.help} className="max-w-sm">
          <input
            className="field"
            defaultValue={(value as readonly string[]).join(', ')}
            onBlur={(event) =>
              change(
                event.target.value
                  .split(',')
                  .map((word) => word.trim())
                  .filter((word) => word !== ''),
              )
            }
          />
        </Labelled>
      );
    case 'sides':
      return (
        <PairsField
          label={field.label}
          words={PAIR_WORDS.sides}
          value={(value as Settings['sides']).map(({ name, condition }) => [name, condition])}
          onChange={(pairs) => change(pairs.map(([name, condition]) => ({ name, condition })))}
        />
      );
    case 'folders':
      return (
        <PairsField
          label={field.label}
          words={PAIR_WORDS.folders}
          value={(value as Settings['archiveFolders']).map(({ folder, note }) => [folder, note])}
          onChange={(pairs) => change(pairs.map(([folder, note]) => ({ folder, note })))}
        />
      );
    case 'journals':
      return (
        <PairsField
          label={field.label}
          words={PAIR_WORDS.journals}
          value={(value as Settings['journals']).map(({ name, folder }) => [name, folder])}
          onChange={(pairs) => change(pairs.map(([name, folder]) => ({ name: name.trim(), folder: cleanPath(folder.trim()) ?? '' })))}
        />
      );
    case 'shelves':
      return (
        <PairsField
          label={field.label}
          words={PAIR_WORDS.shelves}
          value={(value as Settings['shelves']).map(({ tag, note }) => [tag, note])}
          onChange={(pairs) => change(pairs.map(([tag, note]) => ({ tag, note })))}
        />
      );
    case 'notify':
      return <NotifyField label={field.label} value={value as boolean} onChange={change} />;
    case 'keys':
    case 'statuses':
      return null;
  }
}

/** Values are told apart by their place, as radio buttons know only words. */
function ChoiceOf({ field, value, onChoose }: { field: ChoiceField<unknown>; value: unknown; onChoose: (value: unknown) => void }) {
  return (
    <Choice
      label={field.label}
      value={field.options.findIndex(([option]) => option === value)}
      options={field.options.map(([, words], index) => [index, words])}
      onChoose={(index) => onChoose(field.options[index]?.[0])}
    />
  );
}

interface NumberOfProps {
  field: Extract<Field, { is: 'number' }>;
  value: number;
  onChange: (value: number) => void;
}

function NumberOf({ field, value, onChange }: NumberOfProps) {
  const { unit, least, most, step } = field;
  return (
    <Labelled label={field.label} help={field.help} className="max-w-sm">
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        className="field w-[4.6rem]"
        value={value / unit}
        onChange={(event) => {
          const shown = event.target.valueAsNumber;
          if (shown >= least && shown <= most) onChange(Math.round(shown * unit));
        }}
      />
    </Labelled>
  );
}

interface PageOfProps {
  label: string;
  of: 'agenda' | 'note';
  value: string;
  onChange: (path: string) => void;
}

function PageOf({ label, of, value, onChange }: PageOfProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const pages = useMemo(
    () => (of === 'agenda' ? agendaPages(notes ?? []) : (notes ?? []).filter((note) => note.kind === 'note')),
    [of, notes],
  );
  return (
    <Labelled label={label} className="max-w-sm">
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="journal">Today’s journal page</option>
        {pages.map((page) => (
          <option key={page.path} value={page.path}>
            {page.title}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

function WeekOf({ label, hours, onChange }: { label: string; hours: number[]; onChange: (hours: number[]) => void }) {
  return (
    <fieldset>
      <legend className="section-label mb-1">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {WEEKDAY_LONG.map((name, index) => (
          <label key={name} className="grid gap-0.5 text-[0.86rem]">
            {name.slice(0, 3)}
            <input
              type="number"
              min={0}
              max={24}
              step={0.5}
              aria-label={`${label} on ${name}`}
              className="field w-[4.6rem]"
              value={hours[index] ?? 0}
              onChange={(event) => {
                const value = event.target.valueAsNumber;
                if (value >= 0 && value <= 24) onChange(hours.map((hour, at) => (at === index ? value : hour)));
              }}
            />
          </label>
        ))}
      </div>
    </fieldset>
  );
}
