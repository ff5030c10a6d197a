import { type FocusEvent, type KeyboardEvent, type MouseEvent, type RefObject, useCallback, useEffect, useMemo, useRef } from 'react';
import { useNavigate } from 'react-router';
import type { AnswerView, GroupView, RowView } from '../../../core/index/live/view';
import type { WideIntention } from '../../../core/task/acts/intention';
import { followRoute } from '../../session/places/route-clicks';
import { selectionSlice } from '../../session/state/selection-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { dialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import { moveByArrow, rowIdAt } from '../rows/list-focus';
import { type PickRow, useRowPicking } from '../rows/picking/row-picking';
import { useHeldGroups } from './use-held-groups';
import { useRowCommands } from '../rows/use-row-commands';

/** Acts on a row; by the pointer it keeps its place for a while, by a key it moves at once and the focus goes with it. */
export type ActOnRow = (row: RowView, intentions: readonly WideIntention[], byKey: boolean) => void;

/** What can be done to the rows of a list, however it is drawn. */
export interface ListActions {
  onAct: ActOnRow;
  pick: PickRow;
  /** What the element around the rows listens to, and what it bears. Each row bears its id as `data-row`. */
  list: {
    'data-selecting': true | undefined;
    onKeyDown: (event: KeyboardEvent) => void;
    onFocus: (event: FocusEvent) => void;
    onBlur: (event: FocusEvent) => void;
    onClick: (event: MouseEvent) => void;
  };
}

/** The groups of a list as they are shown: a row that was just acted on by the pointer keeps its place in them. */
export function useShownGroups(answer: AnswerView | undefined): { groups: readonly GroupView[]; hold: Hold } {
  return useHeldGroups(
    answer,
    useAppSelector((state) => state.settings.holdSeconds),
  );
}

type Hold = ReturnType<typeof useHeldGroups>['hold'];

/**
 * Acting, selecting and moving about in a list, for whatever draws it.
 *
 * @param element the element around the rows
 * @param rows the rows that are shown, in their order
 */
export function useListActions(
  element: RefObject<HTMLElement | null>,
  { groups, hold }: { groups: readonly GroupView[]; hold: Hold },
  rows: readonly RowView[],
): ListActions {
  const { actAll } = useAct();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const selecting = useAppSelector((state) => state.frame.selecting);
  const follow = useFocusAfter(element, groups);
  const act = useCallback(
    (changed: readonly RowView[], intentions: readonly WideIntention[], byKey: boolean) => {
      const [first] = changed;
      if (!first) return;
      const held = changed.length === 1 && !byKey ? first : null;
      const after = held && afterAct(held, intentions);
      if (held && after) hold(held, after);
      if (byKey) follow.from(first);
      void actAll(changed.map(dialogTask), intentions).then((raws) => {
        if (held && after) hold(held, raws[0] == null ? held : { ...after, raw: raws[0] });
        if (byKey) follow.to(first.path, raws[0] ?? first.raw);
        if (changed.length > 1) dispatch(selectionSlice.actions.cleared());
      });
    },
    [actAll, hold, follow, dispatch],
  );
  const byKey = useCallback((changed: readonly RowView[], intentions: readonly WideIntention[]) => act(changed, intentions, true), [act]);
  const commands = useRowCommands(rows, byKey);
  const onAct = useCallback<ActOnRow>((row, intentions, wasKey) => act([row], intentions, wasKey), [act]);
  const pick = useRowPicking(rows);
  const onKeyDown = (event: KeyboardEvent): void => {
    const id = rowIdAt(event.target);
    const row = id === null ? undefined : findRow(rows, id);
    const select = (other: string): void =>
      void dispatch(selectionSlice.actions.selected([row, findRow(rows, other)].filter((one) => one !== undefined)));
    if (!row || moveByArrow(event, element.current, select)) return;
    if (event.target instanceof HTMLElement && !event.target.matches('.task-mark, .row-focus')) return;
    if (!commands.onKey(event, row)) return;
    event.preventDefault();
    event.stopPropagation();
  };
  return {
    onAct,
    pick,
    list: {
      'data-selecting': selecting || undefined,
      onKeyDown,
      onFocus: (event) => commands.onFocus(event, findRow(rows, rowIdAt(event.target) ?? '')),
      onBlur: commands.onBlur,
      onClick: (event) => followRoute(event, navigate),
    },
  };
}

function findRow(rows: readonly RowView[], id: string): RowView | undefined {
  for (const row of rows) {
    if (row.id === id) return row;
    const step = findRow(row.steps, id);
    if (step) return step;
  }
  return undefined;
}

/** How a row that was just acted on looks until the answer comes. A repeat stays open: it takes its next date. */
function afterAct(row: RowView, [intention]: readonly WideIntention[]): RowView {
  return intention?.do === 'status' && row.every === null ? { ...row, status: intention.status } : row;
}

/** A row that a key changed, until the focus is where it stands then. */
interface Followed {
  path: string;
  /** Its line as it became; null until that is known. */
  raw: string | null;
  /** Where it stood among all rows. */
  place: number;
  /** The row that had the focus: it, or another that was selected with it. */
  from: HTMLElement | null;
}

/** After a key changed a row, the focus goes to where the row stands then; when it left the list, to the one that took its place. */
function useFocusAfter(list: RefObject<HTMLElement | null>, groups: readonly GroupView[]) {
  const wanted = useRef<Followed | null>(null);
  const settle = useCallback(() => {
    const { current } = wanted;
    if (!current || current.raw === null) return;
    const active = document.activeElement;
    const isAtRow = current.from?.contains(active) === true;
    // Whoever went elsewhere meanwhile stays there.
    if (!isAtRow && active !== null && active !== document.body && !active.closest('[role=dialog]')) return void (wanted.current = null);
    const marks = [...(list.current?.querySelectorAll<HTMLElement>('[data-row] .task-mark, [data-row] .row-focus') ?? [])];
    const found = marks.find((mark) => {
      const row = mark.closest<HTMLElement>('[data-row]');
      return row?.dataset['raw'] === current.raw && row.dataset['path'] === current.path;
    });
    if (!found && isAtRow) return;
    (found ?? marks[Math.min(current.place, marks.length - 1)])?.focus();
    wanted.current = null;
  }, [list]);
  useEffect(settle, [groups, settle]);
  return useMemo(
    () => ({
      from: (row: RowView): void => {
        const rows = [...(list.current?.querySelectorAll<HTMLElement>('[data-row]') ?? [])];
        const place = rows.findIndex((one) => one.dataset['row'] === row.id);
        const from = rows.findLast((one) => one.contains(document.activeElement)) ?? rows[place] ?? null;
        wanted.current = { path: row.path, raw: null, place: Math.max(0, place), from };
      },
      to: (path: string, raw: string): void => {
        if (!wanted.current) return;
        wanted.current = { ...wanted.current, path, raw };
        // The answer may have come before.
        settle();
      },
    }),
    [list, settle],
  );
}
