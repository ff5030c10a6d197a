import { useEffect, useState } from 'react';
import { Dialog } from '../../../ui/Dialog';
import { useServices } from '../../session/state/services';
import { counted, useAct } from '../../session/acting/use-act';
import { listsToReset } from './finished-tasks';

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
      {found && found.boxes === 0 && found.stamps === 0 ? (
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
            {found
              ? `${counted(found.boxes, 'box', 'boxes')} and ${counted(found.stamps, 'stamp')} are cleared; the words stay.`
              : 'Counting…'}
          </p>
          {found && found.dates > 0 && (
            <fieldset>
              <legend className="section-label mb-1">{`Dates and reminders of ${counted(found.dates, 'task')}`}</legend>
              {(['keep', 'clear'] as const).map((choice) => (
                <label key={choice} className="me-5 inline-flex min-h-7 items-center gap-1.5">
                  <input
                    type="radio"
                    name="dates"
                    className="h-4 w-4 accent-(--primary)"
                    checked={dates === choice}
                    onChange={() => setDates(choice)}
                  />
                  {choice === 'keep' ? 'stay' : 'are cleared'}
                </label>
              ))}
            </fieldset>
          )}
          <button type="submit" autoFocus className="solid-button justify-self-start" disabled={!found}>
            Clear them
          </button>
        </form>
      )}
    </Dialog>
  );
}
