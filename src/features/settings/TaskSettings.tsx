import type { Settings } from '../../store/settings';
import { Choice } from './Choice';

interface TaskSettingsProps {
  settings: Settings;
  set: (change: Partial<Settings>) => void;
}

/** How tasks are read and what acting on them writes. */
export function TaskSettings({ settings, set }: TaskSettingsProps) {
  return (
    <>
      <Choice
        label="Finishing a task with open steps"
        value={settings.openSteps}
        options={[
          ['ask', 'asks what becomes of them'],
          ['leave', 'leaves them open'],
          ['close', 'closes them too'],
          ['out', 'moves them out'],
        ]}
        onChoose={(openSteps) => set({ openSteps })}
      />
      <Choice
        label="Finishing a repeating task"
        value={settings.repeatRecords}
        options={[
          ['lines', 'keeps a line of each time'],
          ['count', 'keeps only how often'],
        ]}
        onChoose={(repeatRecords) => set({ repeatRecords })}
      />
      <label className="grid max-w-sm gap-1">
        <span className="section-label">Hours in a working day</span>
        <input
          type="number"
          min={1}
          max={24}
          step={0.5}
          className="field w-[4.6rem]"
          value={settings.workingDay / 60}
          onChange={(event) => {
            const hours = event.target.valueAsNumber;
            if (hours >= 1 && hours <= 24) set({ workingDay: Math.round(hours * 60) });
          }}
        />
        <span className="text-[0.86rem] text-muted">What “takes 1d” comes to.</span>
      </label>
    </>
  );
}
