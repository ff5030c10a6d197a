import { useCallback } from 'react';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/**
 * Whether a part of the rack is open, and what turns it; it stays so on this device.
 *
 * @param beginsShut whether it is folded until somebody opens it
 */
export function useFold(part: string, beginsShut = false): [isOpen: boolean, turn: () => void] {
  const name = `rack\n${part}`;
  const isTurned = useAppSelector((state) => state.frame.folded.includes(name));
  const dispatch = useAppDispatch();
  const turn = useCallback(() => void dispatch(frameSlice.actions.foldToggled(name)), [dispatch, name]);
  return [isTurned === beginsShut, turn];
}
