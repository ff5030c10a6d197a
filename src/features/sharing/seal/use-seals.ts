import { useSyncExternalStore } from 'react';
import { foldPath } from '../../../core/note/names/path';
import type { Seal } from '../../../core/sharing/seal/seal-note';
import type { SealState } from '../../../store/seal/seal-desk';
import { useServices } from '../../session/state/services';

/** The seals there are, and which are open in this tab. */
export function useSeals(): SealState {
  const { seals } = useServices();
  return useSyncExternalStore(seals.listen, seals.present);
}

/** Whether a seal is open in this tab. */
export const isOpenSeal = ({ open }: SealState, seal: Seal): boolean => open.has(foldPath(seal.path));

/** The seal of a sealed note, as far as it is known while it is closed. */
export function sealOfNote({ seals, by }: SealState, path: string): Seal | null {
  const known = by[foldPath(path)];
  return seals.find((seal) => known !== undefined && foldPath(seal.path) === foldPath(known)) ?? null;
}
