import { useCallback, useMemo } from 'react';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** Which groups of a list are folded, and which stand on top, on this device. */
export function useFolded(list: string): {
  folded: ReadonlySet<string>;
  toggle: (group: string) => void;
  /** The groups that stand on top. */
  onTop: ReadonlySet<string>;
  toggleTop: (group: string) => void;
} {
  const all = useAppSelector((state) => state.frame.folded);
  const dispatch = useAppDispatch();
  const folded = useMemo(
    () => new Set(all.filter((one) => one.startsWith(`${list}\n`)).map((one) => one.slice(list.length + 1))),
    [all, list],
  );
  const toggle = useCallback((group: string) => void dispatch(frameSlice.actions.foldToggled(`${list}\n${group}`)), [dispatch, list]);
  const allTop = useAppSelector((state) => state.frame.onTop);
  const onTop = useMemo(
    () => new Set(allTop.filter((one) => one.startsWith(`${list}\n`)).map((one) => one.slice(list.length + 1))),
    [allTop, list],
  );
  const toggleTop = useCallback((group: string) => void dispatch(frameSlice.actions.topToggled(`${list}\n${group}`)), [dispatch, list]);
  return { folded, toggle, onTop, toggleTop };
}
