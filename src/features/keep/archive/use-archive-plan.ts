import { useEffect, useState } from 'react';
import { planArchive, type ArchivePlan } from '../../../core/keep/archive/plan-archive';
import { shelfOf } from '../../../core/index/live/shelf';
import { failureSentence } from '../../../store/notes/failure';
import { breather } from '../../session/acting/breather';
import { actionContext } from '../../session/acting/action-context';
import type { AskedDialog } from '../../session/acting/task-dialog';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** What archiving what is asked for would do; null until it is known, and why where the notes cannot be read. */
export function useArchivePlan(asked: Extract<AskedDialog, { is: 'archive' }>): ArchivePlan | { failed: string } | null {
  const { store, engine, clock } = useServices();
  const settings = useAppSelector((state) => state.settings);
  const statuses = useAppSelector((state) => state.library.overview?.statuses);
  const [plan, setPlan] = useState<ArchivePlan | { failed: string } | null>(null);
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      const breathe = breather();
      const refs = asked.refs ?? (await engine.ask('matching', asked.gather)).map(({ path, line, raw }) => ({ path, line, expected: raw }));
      await breathe();
      const shelf = shelfOf(await store.all());
      await breathe();
      const pause = async (): Promise<boolean> => {
        await breathe();
        return gone;
      };
      const made = await planArchive(shelf, refs, settings, actionContext(settings, clock.now(), statuses), null, pause);
      if (!gone) setPlan(made);
    };
    look().catch((error: unknown) => !gone && setPlan({ failed: failureSentence(error) }));
    return () => {
      gone = true;
    };
    // What it is asked for stays the same as long as it is asked.
  }, [asked, store, engine, clock, settings, statuses]);
  return plan;
}
