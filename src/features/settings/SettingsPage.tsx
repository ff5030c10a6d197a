import { useMemo, type ReactNode } from 'react';
import { refuse, say } from '../session/acting/messages';
import { WEEKDAY_LONG } from '../../core/calendar/day-name';
import type { SettingsChange } from '../../store/device/settings';
import { useExport } from '../exchange/use-export';
import { Sheet } from '../note/Sheet';
import { DeleteDemo } from '../opening/DeleteDemo';
import { restoreAgendaPages } from '../opening/first-notes';
import { agendaPages } from '../rack/folder-tree';
import { frameSlice } from '../session/state/frame-slice';
import { useServices } from '../session/state/services';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { counted, useToldDone } from '../session/acting/use-act';
import { Choice } from './Choice';
import { KeySettings } from './KeySettings';
import { TaskSettings } from './TaskSettings';

/** Every setting on one page; each takes effect at once. */
export function SettingsPage() {
  const settings = useAppSelector((state) => state.settings);
  const { changeSettings } = useServices();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const agendas = useMemo(() => agendaPages(notes ?? []), [notes]);
  const set = (change: SettingsChange): void => void changeSettings(change);
  return (
    <Sheet title="Settings">
      <h1 className="mb-4 font-title text-[1.86rem] font-bold">Settings</h1>
      <div className="grid gap-5">
        <Choice
          label="Theme"
          value={settings.theme}
          options={[
            ['system', 'As the system'],
            ['light', 'Light'],
            ['dark', 'Dark'],
          ]}
          onChoose={(theme) => set({ theme })}
        />
        <Choice
          label="Text size"
          value={settings.textSize}
          options={[
            [90, 'Small'],
            [100, 'Middle'],
            [115, 'Large'],
            [130, 'Largest'],
          ]}
          onChoose={(textSize) => set({ textSize })}
        />
        <Choice
          label="First day of the week"
          value={settings.firstDayOfWeek}
          options={[
            [1, 'Monday'],
            [6, 'Saturday'],
            [7, 'Sunday'],
          ]}
          onChoose={(firstDayOfWeek) => set({ firstDayOfWeek })}
        />
        <Choice
          label="How dates look"
          value={settings.dateStyle}
          options={[
            ['words', 'Fri 27 Nov'],
            ['iso', '2026-11-27'],
          ]}
          onChoose={(dateStyle) => set({ dateStyle })}
        />
        <TaskSettings settings={settings} set={set} />
        <Hours hours={settings.workingHours} onChange={(workingHours) => set({ workingHours })} />
        <label className="grid max-w-sm gap-1">
          <span className="section-label">Page that opens first</span>
          <select className="field" value={settings.firstPage} onChange={(event) => set({ firstPage: event.target.value })}>
            <option value="journal">Today’s journal page</option>
            {agendas.map((page) => (
              <option key={page.path} value={page.path}>
                {page.title}
              </option>
            ))}
          </select>
        </label>
        <label className="grid max-w-sm gap-1">
          <span className="section-label">Your own handle</span>
          <input
            className="field"
            defaultValue={settings.me ?? ''}
            placeholder="none"
            onBlur={(event) => set({ me: event.target.value.trim().replace(/^@/, '') || null })}
          />
          <span className="text-[0.86rem] text-muted">Tasks without an owner are yours; a gather may say @me.</span>
        </label>
        <label className="grid max-w-sm gap-1">
          <span className="section-label">Where loose tasks are caught</span>
          <select className="field" value={settings.loosePlace} onChange={(event) => set({ loosePlace: event.target.value })}>
            <option value="journal">Today’s journal page</option>
            {(notes ?? [])
              .filter((note) => note.kind === 'note')
              .map((note) => (
                <option key={note.path} value={note.path}>
                  {note.title}
                </option>
              ))}
          </select>
        </label>
        <NotesSection />
        <KeySettings settings={settings} set={set} />
      </div>
    </Sheet>
  );
}

function Hours({ hours, onChange }: { hours: number[]; onChange: (hours: number[]) => void }) {
  return (
    <fieldset>
      <legend className="section-label mb-1">Working hours</legend>
      <div className="flex flex-wrap gap-2">
        {WEEKDAY_LONG.map((name, index) => (
          <label key={name} className="grid gap-0.5 text-[0.86rem]">
            {name.slice(0, 3)}
            <input
              type="number"
              min={0}
              max={24}
              step={0.5}
              aria-label={`Working hours on ${name}`}
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

function NotesSection() {
  const { store } = useServices();
  const dispatch = useAppDispatch();
  const save = useExport();
  const told = useToldDone();
  const restore = async (): Promise<void> => {
    const result = await restoreAgendaPages(store);
    if ('refused' in result) refuse(result.refused);
    else if (result.count === 0) say('All shipped agenda pages are here as they were shipped.');
    else told(`${counted(result.count, 'agenda page')} as shipped again.`, result.step);
  };
  return (
    <Group label="Notes">
      <button type="button" className="line-button" onClick={() => void save()}>
        Export everything
      </button>
      <button type="button" className="line-button" onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'import' }))}>
        Import notes
      </button>
      <button type="button" className="line-button" onClick={() => void restore()}>
        Restore the agenda pages
      </button>
      <DeleteDemo />
    </Group>
  );
}

function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="section-label mb-1">{label}</h2>
      <div className="flex flex-wrap gap-2">{children}</div>
    </section>
  );
}
