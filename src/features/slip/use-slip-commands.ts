import { useMemo } from 'react';
import type { NoteSummary } from '../../core/index/live/overview';
import type { Command } from '../commands/command';
import { writtenKey } from '../commands/written-key';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { holdKeys } from '../../ui/input/early-keys';
import { slipDraft } from './slip-draft';

const isSlip = ({ kind }: NoteSummary): boolean => kind === 'slip';

/** The notes of kind slip, in the order of their titles; the same list until one of them changes. */
export function useSlipNotes(): readonly NoteSummary[] {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const slips = (notes ?? []).filter(isSlip);
  const sign = slips.map(({ path, title, slipKey }) => [path, title, slipKey ?? ''].join('\n')).join('\n\n');
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the sign says all that counts of them
  return useMemo(() => slips.sort((a, b) => (a.title < b.title ? -1 : 1)), [sign]);
}

/** A command for each slip that the person made. */
export function useSlipCommands(): readonly Command[] {
  const dispatch = useAppDispatch();
  const slips = useSlipNotes();
  return useMemo(
    () =>
      slips.map(({ path, title, slipKey }): Command => ({
        id: `slip ${path}`,
        title: `Slip: ${title}`,
        key: slipKey === undefined ? null : writtenKey(slipKey),
        heard: true,
        run: () => {
          holdKeys(slipDraft.keep);
          dispatch(frameSlice.actions.dialogShown({ is: 'slip', slip: path }));
        },
      })),
    [slips, dispatch],
  );
}
