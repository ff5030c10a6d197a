import { useCallback, useMemo, useRef } from 'react';
import type { AnswerView, GroupView, RowView } from '../../../core/index/live/view';
import type { WideIntention } from '../../../core/task/acts/intention';
import { useWindow } from '../../../ui/window/use-window';
import { GatherRow } from '../rows/GatherRow';
import { GroupHeading } from './GroupHeading';
import { ListFooter } from './ListFooter';
import { type ListItem, groupName, itemsOf } from './list-items';
import { RowPicking } from '../rows/picking/row-picking';
import { useFolded } from './use-folded';
import { useListActions, useShownGroups } from './use-list-actions';

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
  const held = useShownGroups(answer);
  const { groups } = held;
  const { folded, toggle, onTop, toggleTop } = useFolded(name);
  const list = useRef<HTMLDivElement>(null);
  const items = useMemo(() => itemsOf(withTopFirst(groups, onTop), folded), [groups, onTop, folded]);
  const rows = useMemo(() => items.flatMap((item) => (item.is === 'row' ? [item.row] : [])), [items]);
  const keyOf = useCallback((index: number) => items[index]?.key ?? '', [items]);
  const heightOf = useCallback((index: number) => HEIGHTS[items[index]?.is ?? 'row'], [items]);
  const shown = useWindow(list, items.length, keyOf, heightOf);
  const { onAct, pick, list: listens } = useListActions(list, held, rows);
  return (
    <RowPicking value={pick}>
      <div ref={list} {...listens}>
        {shown.before > 0 && <div style={{ height: shown.before }} aria-hidden="true" />}
        {runsOf(items, shown.from, shown.to).map((run) => (
          <Run
            key={run.key}
            run={run}
            heading={groupHeading}
            withSource={withSource && answer?.list == null}
            columns={answer?.columns ?? null}
            onTop={onTop}
            onTopped={toggleTop}
            onFold={toggle}
            onAct={onAct}
          />
        ))}
        {shown.behind > 0 && <div style={{ height: shown.behind }} aria-hidden="true" />}
        {answer && <ListFooter answer={answer} showAll={showAll} />}
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
