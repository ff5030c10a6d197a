import { useEffect, useState } from 'react';
import { Dialog } from '../../../ui/Dialog';
import { useServices } from '../../session/state/services';
import { counted, useAct } from '../../session/acting/use-act';
import { listsToReset } from './finished-tasks';
import { Choice } from '../../../ui/form/Choice';

/** Starts the lists of a note again, and says first how much is cleared. */
export function ResetDialog({ path, onClose }: { path: string; onClose: () => void }) {
  const { store } = useServices();
  const { actAll } = useAct();
  const [found, setFound] = useState<ReturnType<typeof listsToReset> | null>(null);
  const [dates, setDates] = useState<'keep' | 'clear'>('keep');
  useEffect(() => void store.text(path).then((text) => setFound(listsToReset(text ?? ''))), [store, path]);
  const start = (): void => {
    onClose();
    if (!found) return;
    const tasks = found.tasks.map((task) => ({ ref: { path, line: task.line, expected: task.raw }, text: task.text }));
    void actAll(tasks, [{ do: 'reset', dates }]);
  };
  return (
    <Dialog open onClose={onClose} title="Use the lists again">
      {!found ? (
        <p role="status">Counting…</p>
      ) : found.boxes === 0 && found.stamps === 0 ? (
        <p>Nothing here is begun or finished, so nothing is to be cleared.</p>
      ) : (
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            start();
          }}
        >
          <p>
            {counted(found.boxes, 'box', 'boxes')} and {counted(found.stamps, 'stamp')} are cleared; the words stay.
          </p>
          {found.dates > 0 && (
            <Choice
              label={`Dates and reminders of ${counted(found.dates, 'task')}`}
              value={dates}
              options={[
                ['keep', 'stay'],
                ['clear', 'are cleared'],
              ]}
              onChoose={setDates}
              takesFocus
            />
          )}
          <button type="submit" className="solid-button justify-self-start">
            Clear them
          </button>
        </form>
      )}
    </Dialog>
  );
}
