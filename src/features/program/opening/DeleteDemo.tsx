import { useState } from 'react';
import { refuse, say } from '../../session/telling/messages';
import { Dialog } from '../../../ui/Dialog';
import { useServices } from '../../session/state/services';
import { useToldDone } from '../../session/acting/use-act';
import { demoNotes } from './first-notes';

/** Deletes the demo in one action. Only where a person wrote into its notes does it ask what becomes of those. */
export function DeleteDemo() {
  const { store, actions } = useServices();
  const told = useToldDone();
  const [asking, setAsking] = useState<{ untouched: string[]; edited: string[] } | null>(null);
  const remove = async (paths: string[]): Promise<void> => {
    setAsking(null);
    const { untouched } = await demoNotes(store);
    const label = `Deleted the demo, ${paths.length} ${paths.length === 1 ? 'note' : 'notes'}`;
    const result = await actions.remove(paths, label);
    if ('refused' in result) return void refuse(result.refused);
    told(label, result.step);
    // Nobody looks for them among the deleted notes.
    await store.earlier.forgetGone(untouched);
  };
  const start = async (): Promise<void> => {
    const found = await demoNotes(store);
    if (found.untouched.length + found.edited.length === 0) say('No note of the demo is left.');
    else if (found.edited.length === 0) await remove(found.untouched);
    else setAsking(found);
  };
  return (
    <>
      <button type="button" className="line-button" onClick={() => void start()}>
        Delete the demo
      </button>
      <Dialog open={asking !== null} onClose={() => setAsking(null)} title="Delete the demo">
        {asking && (
          <div className="grid gap-3">
            <p>
              You changed {asking.edited.length} of its {asking.edited.length + asking.untouched.length} notes. Undo brings back whatever is
              deleted.
            </p>
            <div className="flex flex-wrap gap-2">
              <button type="button" className="solid-button" autoFocus onClick={() => void remove([...asking.untouched, ...asking.edited])}>
                Delete them all
              </button>
              {asking.untouched.length > 0 && (
                <button type="button" className="line-button" onClick={() => void remove(asking.untouched)}>
                  Keep those I changed
                </button>
              )}
            </div>
          </div>
        )}
      </Dialog>
    </>
  );
}
