import { useCallback } from 'react';
import type { ArchivePlan } from '../../../core/keep/archive/plan-archive';
import { useAct } from '../../session/acting/use-act';

/** Archives what a plan says, as one step of Undo. */
export function useArchive(): (plan: ArchivePlan) => Promise<void> {
  const { actEach } = useAct();
  return useCallback(
    async ({ going }) => {
      await actEach(going.map(({ ref, to }) => ({ task: { ref, text: ref.expected.trim() }, intentions: [{ do: 'archive', to }] })));
    },
    [actEach],
  );
}
