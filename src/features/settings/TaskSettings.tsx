import type { Settings, SettingsChange } from '../../store/device/settings';
import { Choice } from './Choice';

interface TaskSettingsProps {
  settings: Settings;
  set: (change: SettingsChange) => void;
}

/** How tasks are read and what acting on them writes. */
export function TaskSettings({ settings, set }: TaskSettingsProps) {
  return (
    <>
      <Choice
        label="A day typed without a word before it, as in “call Lars fri”"
        value={settings.bareDay}
        options={[
          ['plan', 'is the plan: when you mean to do it'],
          ['due', 'is the due day: by when it must be done'],
        ]}
        onChoose={(bareDay) => set({ bareDay })}
      />
      <Choice
        label="Finishing a task with open steps"
        value={settings.openSteps}
        options={[
          ['ask', 'asks what becomes of them'],
          ['leave', 'leaves them open'],
          ['close', 'closes them too'],
          ['out', 'moves them out, beside the task'],
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
      <Choice
        label="A repeating task comes back"
        value={settings.repeatLead === null ? -1 : settings.repeatLead}
        options={[
          [0, 'on its day'],
          [1, 'the day before'],
          [3, 'three days before'],
          [7, 'a week before'],
          [-1, 'at once: it never rests'],
        ]}
        onChoose={(days) => set({ repeatLead: days === -1 ? null : days })}
      />
      <Choice
        label="Finished lines of a note"
        value={settings.finished}
        options={[
          ['stay', 'stay where they are'],
          ['sink', 'go to the end of their list'],
          ['hide', 'are out of sight'],
        ]}
        onChoose={(finished) => set({ finished })}
      />
      <Choice
        label="A ticked row keeps its place in a list"
        value={settings.holdSeconds}
        options={[
          [0, 'not at all'],
          [2, 'for 2 seconds'],
          [4, 'for 4 seconds'],
          [10, 'for 10 seconds'],
        ]}
        onChoose={(holdSeconds) => set({ holdSeconds })}
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
