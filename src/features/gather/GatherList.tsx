import { type KeyboardEvent, useCallback, useEffect, useMemo, useRef } from 'react';
import { useNavigate } from 'react-router';
import type { AnswerView, GroupView, RowView } from '../../core/index/view';
import type { WideIntention } from '../../core/task/intention';
import { useAppDispatch, useAppSelector } from '../session/state';
import { selectionSlice } from '../session/selection-slice';
import { dialogTask } from '../session/task-dialog';
import { useAct } from '../session/use-act';
import { GatherRow } from './GatherRow';
import { GroupHeading } from './GroupHeading';
import { type ListItem, groupName, itemsOf } from './list-items';
import { moveByArrow, rowIdAt } from './list-focus';
import { useFolded } from './use-folded';
import { followRoute } from '../session/route-clicks';
import { useHeldGroups } from './use-held-groups';
import { RowPicking, useRowPicking } from './row-picking';
import { useRowCommands } from './use-row-commands';
import { useWindow } from '../../ui/use-window';

interface GatherListProps {
  answer: AnswerView | undefined;
  /** The level of its group headings. */
  groupHeading: 'h3' | 'h4';
  /** Names the list, so that what is folded in it stays folded. */
  name?: string;
  withSource?: boolean;
  /** Shows what limits leave out; null when nothing is left out. */
  showAll?: (() => void) | null;
}

/** What a piece takes until it was measured, in pixels. */
const HEIGHTS = { heading: 40, row: 46, more: 22 };

/** The rows of a gather, in their groups: the same on agenda pages, in notes and in the beside panel. */
export function GatherList({ answer, groupHeading, name = '', withSource = true, showAll = null }: GatherListProps) {
  const { actAll } = useAct();
  const dispatch = useAppDispatch();
  const seconds = useAppSelector((state) => state.settings.holdSeconds);
  const { groups, hold } = useHeldGroups(answer, seconds);
  const { folded, toggle, onTop, toggleTop } = useFolded(name);
  const list = useRef<HTMLDivElement>(null);
  const items = useMemo(() => itemsOf(withTopFirst(groups, onTop), folded), [groups, onTop, folded]);
  const rows = useMemo(() => items.flatMap((item) => (item.is === 'row' ? [item.row] : [])), [items]);
  const keyOf = useCallback((index: number) => items[index]?.key ?? '', [items]);
  const heightOf = useCallback((index: number) => HEIGHTS[items[index]?.is ?? 'row'], [items]);
  const shown = useWindow(list, items.length, keyOf, heightOf);
  const follow = useFocusAfter(list, groups);
  /** By the pointer a row keeps its place for a while; by a key it moves at once, and the focus goes with it. */
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
  const onAct = useCallback((row: RowView, intentions: readonly WideIntention[], wasKey: boolean) => act([row], intentions, wasKey), [act]);
  const onKeyDown = (event: KeyboardEvent): void => {
    const id = rowIdAt(event.target);
    const row = id === null ? undefined : findRow(rows, id);
    if (
      !row ||
      moveByArrow(event, list.current, (other) =>
        dispatch(selectionSlice.actions.selected([row, findRow(rows, other)].filter((one) => one !== undefined))),
      )
    )
      return;
    if (event.target instanceof HTMLElement && !event.target.matches('.task-mark, .row-focus')) return;
    if (!commands.onKey(event, row)) return;
    event.preventDefault();
    event.stopPropagation();
  };
  const navigate = useNavigate();
  const pick = useRowPicking(rows);
  const selecting = useAppSelector((state) => state.frame.selecting);
  return (
    <RowPicking value={pick}>
      <div
        ref={list}
        data-selecting={selecting || undefined}
        onKeyDown={onKeyDown}
        onFocus={(event) => commands.onFocus(event, findRow(rows, rowIdAt(event.target) ?? ''))}
        onBlur={commands.onBlur}
        onClick={(event) => followRoute(event, navigate)}
      >
        {shown.before > 0 && <div style={{ height: shown.before }} aria-hidden="true" />}
        {runsOf(items, shown.from, shown.to).map((run) => (
          <Run
            key={run.key}
            run={run}
            heading={groupHeading}
            withSource={withSource}
            columns={answer?.columns ?? null}
            onTop={onTop}
            onTopped={toggleTop}
            onFold={toggle}
            onAct={onAct}
          />
        ))}
        {shown.behind > 0 && <div style={{ height: shown.behind }} aria-hidden="true" />}
        {answer && <Footer answer={answer} showAll={showAll} />}
      </div>
    </RowPicking>
  );
}

/** The groups that a person put on top, then the others. */
function withTopFirst(groups: readonly GroupView[], onTop: ReadonlySet<string>): readonly GroupView[] {
  if (onTop.size === 0) return groups;
  const isTop = (group: GroupView): boolean => onTop.has(groupName(group));
  return [...groups.filter(isTop), ...groups.filter((group) => !isTop(group))];
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

/** Rows that follow each other are one list, with the heading of their group above them. */
interface Run {
  key: string;
  /** The heading, with its place among the items. */
  heading: { group: GroupView; folded: boolean; index: number } | null;
  rows: { row: RowView; index: number; key: string; group: GroupView }[];
  more: { count: number; index: number } | null;
}

function runsOf(items: readonly ListItem[], from: number, to: number): Run[] {
  const runs: Run[] = [];
  for (let index = from; index < to; index++) {
    const item = items[index];
    if (!item) continue;
    if (item.is === 'heading') {
      runs.push({ key: item.key, heading: { group: item.group, folded: item.folded, index }, rows: [], more: null });
      continue;
    }
    let run = runs[runs.length - 1];
    if (!run) runs.push((run = { key: 'first', heading: null, rows: [], more: null }));
    if (item.is === 'row') run.rows.push({ row: item.row, index, key: item.key, group: item.group });
    else run.more = { count: item.count, index };
  }
  return runs;
}

interface RunProps {
  run: Run;
  heading: 'h3' | 'h4';
  withSource: boolean;
  columns: AnswerView['columns'];
  onTop: ReadonlySet<string>;
  onTopped: (group: string) => void;
  onFold: (group: string) => void;
  onAct: (row: RowView, intentions: readonly WideIntention[], byKey: boolean) => void;
}

function Run({ run, heading, withSource, columns, onTop, onTopped, onFold, onAct }: RunProps) {
  return (
    <section>
      {run.heading && (
        <div data-index={run.heading.index}>
          <GroupHeading
            group={run.heading.group}
            folded={run.heading.folded}
            level={heading}
            onTop={onTop.has(groupName(run.heading.group))}
            onTopped={() => onTopped(groupName(run.heading?.group ?? EMPTY))}
            onFold={() => onFold(groupName(run.heading?.group ?? EMPTY))}
          />
        </div>
      )}
      {run.rows.length > 0 && (
        <ul>
          {run.rows.map(({ row, index, key, group }) => (
            <GatherRow key={key} index={index} row={row} group={group} columns={columns} withSource={withSource} onAct={onAct} />
          ))}
        </ul>
      )}
      {run.more && (
        <p data-index={run.more.index} className="text-[0.85rem] text-muted">
          {run.more.count} more in this group
        </p>
      )}
    </section>
  );
}

const EMPTY = { key: null, label: '' } as GroupView;

function Footer({ answer, showAll }: { answer: AnswerView; showAll: (() => void) | null }) {
  const more = answer.more + answer.groups.reduce((sum, group) => sum + group.more, 0);
  return (
    <>
      {showAll && (
        <button type="button" className="quiet-button -ms-2 text-[0.86rem]" onClick={showAll}>
          Show {more} more
        </button>
      )}
      {answer.resting > 0 && (
        <p className="mt-1 text-[0.82rem] text-muted">
          {answer.resting} {answer.resting === 1 ? 'rests' : 'rest'} and will come back
        </p>
      )}
    </>
  );
}

/** After a key changed a row, the focus goes to where the row stands then; when it left the list, to the one that took its place. */
function useFocusAfter(list: React.RefObject<HTMLDivElement | null>, groups: readonly GroupView[]) {
  const wanted = useRef<{ path: string; raw: string | null; place: number } | null>(null);
  useEffect(() => {
    const { current } = wanted;
    if (!current || current.raw === null) return;
    const marks = [...(list.current?.querySelectorAll<HTMLElement>('li[data-row] .task-mark, li[data-row] .row-focus') ?? [])];
    const found = marks.find((mark) => {
      const row = mark.closest<HTMLElement>('li[data-row]');
      return row?.dataset['raw'] === current.raw && row.dataset['path'] === current.path;
    });
    if (!found && document.activeElement !== document.body && document.activeElement?.closest('li[data-row]')) return;
    (found ?? marks[Math.min(current.place, marks.length - 1)])?.focus();
    wanted.current = null;
  }, [groups, list]);
  return useMemo(
    () => ({
      from: (row: RowView): void => {
        const marks = [...(list.current?.querySelectorAll<HTMLElement>('li[data-row]') ?? [])];
        wanted.current = {
          path: row.path,
          raw: null,
          place: Math.max(
            0,
            marks.findIndex((one) => one.dataset['row'] === row.id),
          ),
        };
      },
      to: (path: string, raw: string): void => {
        if (wanted.current) wanted.current = { ...wanted.current, path, raw };
      },
    }),
    [list],
  );
}
