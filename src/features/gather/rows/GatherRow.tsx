import { ChevronDown, ChevronRight } from 'lucide-react';
import { memo, useContext, useState } from 'react';
import { Link } from 'react-router';
import type { Column } from '../../../core/gather/language/ast';
import type { GroupView, RowView } from '../../../core/index/live/view';
import type { WideIntention } from '../../../core/task/acts/intention';
import { isOpen } from '../../../core/task/line/status';
import { InlineText } from '../../../ui/InlineText';
import { TaskMark } from '../../../ui/marks/TaskMark';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { useIsPrinting } from '../../../ui/printing';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { dialogTask } from '../../session/acting/task-dialog';
import { GatherSource } from '../gather-source';
import { RewordField } from './RewordField';
import { PickEdge } from './picking/PickEdge';
import { RowChips } from './RowChips';
import { RowMenuButton } from './RowMenu';
import { AsideRow } from './AsideRow';
import { RowPicking, useLongPress } from './picking/row-picking';
import { markOf, noteName, showsSource } from './row-columns';
import { endDrag, startDrag } from './task-drag';
import { useAddedStatus } from '../../session/state/use-statuses';
import { soleLink } from '../../../core/note/names/sole-link';
import { DigestOf } from '../../meeting/digest/LazyDigest';
import { NextStepOf } from '../../pages/project/LazyNextStep';
import { ProjectProgress } from '../../pages/project/LazyProjectProgress';

interface GatherRowProps {
  row: RowView;
  /** The group it stands in; null for a step inside a row. */
  group: GroupView | null;
  /** The fields it bears; null for those that usually help. */
  columns: readonly Column[] | null;
  /** Left out where every row stands in the note that shows it. */
  withSource: boolean;
  onAct: (row: RowView, intentions: readonly WideIntention[], byKey: boolean) => void;
  /** Its place among the pieces of the list. */
  index?: number;
}

/** A row of a list: a task with its mark, words, chips and source, its steps folded inside; or a note, or a key point. */
export const GatherRow = memo(function GatherRow({ row, group, columns, withSource, onAct, index }: GatherRowProps) {
  const [unfolded, setOpen] = useState(false);
  // Paper shows the steps too.
  const isPrinting = useIsPrinting();
  const open = unfolded || isPrinting;
  const [rewording, setRewording] = useState(false);
  const selected = useAppSelector((state) => state.selection[row.id] !== undefined);
  const selection = useAppSelector((state) => (selected ? state.selection : null));
  const selecting = useAppSelector((state) => state.frame.selecting);
  const pick = useContext(RowPicking);
  const longPress = useLongPress(row);
  const source = useContext(GatherSource);
  const taskOpen = isOpen(row.status);
  const place = { 'data-index': index, 'data-row': row.id, 'data-raw': row.raw, 'data-path': row.path, className: 'group/row' };
  const body = (
    <>
      <div
        className={`relative flex items-start gap-1.5 rounded-md py-[3px] ${selected ? 'row-selected' : 'hover:bg-[color-mix(in_srgb,var(--raised)_70%,transparent)]'}`}
        onClick={(event) => {
          if (row.what !== 'task') return;
          const onControl = event.target instanceof Element && event.target.closest('a, button, input') !== null;
          if (event.ctrlKey || event.metaKey || (selecting && !onControl)) pick(row, event.shiftKey);
        }}
      >
        {row.what === 'task' && <PickEdge row={row} selected={selected} />}
        <RowSign
          row={row}
          selected={selected}
          onTick={(byKey) => onAct(row, [{ do: 'status', status: taskOpen ? 'done' : 'todo' }], byKey)}
          onRaise={() => onAct(row, [{ do: 'raise', wraps: true }], false)}
        />
        <div className="min-w-0 flex-1">
          <div className="leading-6 [overflow-wrap:anywhere]">
            {rewording ? (
              <RewordField
                text={row.text}
                onStore={(text) => onAct(row, [{ do: 'reword', text }], true)}
                onClose={() => setRewording(false)}
              />
            ) : (
              <span
                className={row.what !== 'task' || taskOpen ? (row.restsUntil === null ? '' : 'text-muted') : 'closed-text'}
                onDoubleClick={() => row.what === 'task' && setRewording(true)}
              >
                {row.what === 'note' ? (
                  // The pointer that rests on it shows what is open there.
                  <span data-link={row.path.replace(/\.md$/i, '')}>{row.text}</span>
                ) : row.text === '' ? (
                  <em className="text-muted">no words</em>
                ) : (
                  <InlineText text={row.text} leads />
                )}
              </span>
            )}
            <RowChips row={row} columns={columns} />
            {row.what === 'task' && soleLink(row.text) !== null && <ProjectProgress text={row.text} from={row.path} />}
          </div>
          {columns?.includes('digest') && row.kind === 'meeting' && row.what === 'note' && <DigestOf path={row.path} />}
          {columns?.includes('next step') && row.what === 'note' && (
            <span className="text-[0.93rem]">
              <NextStepOf path={row.path} />
            </span>
          )}
          {withSource && showsSource(columns) && row.what !== 'note' && <Source row={row} />}
        </div>
        {row.steps.length > 0 && (
          <button
            type="button"
            className="row-steps quiet-button no-print"
            aria-expanded={open}
            aria-label={`Steps of ${row.text}`}
            onClick={() => setOpen(!unfolded)}
          >
            {open ? <ChevronDown size={15} aria-hidden="true" /> : <ChevronRight size={15} aria-hidden="true" />}
          </button>
        )}
        {row.what === 'task' && (
          <RowMenuButton row={row} onAct={(intentions) => onAct(row, intentions, false)} onReword={() => setRewording(true)} />
        )}
      </div>
      {open && (
        <ul className="ms-6">
          {row.steps.map((step) => (
            <GatherRow key={step.key} row={step} group={null} columns={columns} withSource={false} onAct={onAct} />
          ))}
        </ul>
      )}
    </>
  );
  // By touch a finger that rests on a row selects it, and one that goes aside takes it along.
  if (BY_TOUCH)
    return (
      <AsideRow {...place} row={row} press={longPress} onTomorrow={() => onAct(row, [{ do: 'push', to: 'tomorrow' }], false)}>
        {body}
      </AsideRow>
    );
  return (
    <li
      {...place}
      {...longPress}
      draggable={row.what === 'task' && !rewording}
      onDragStart={(event) => {
        event.stopPropagation();
        const rows = selection ? Object.values(selection) : [row];
        startDrag(event, { tasks: rows.map(dialogTask), from: source?.groupBy.length === 1 ? (group?.keys ?? null) : null });
      }}
      onDragEnd={endDrag}
    >
      {body}
    </li>
  );
});

interface RowSignProps {
  row: RowView;
  selected: boolean;
  onTick: (byKey: boolean) => void;
  onRaise: () => void;
}

/** The mark of a task; of a note its title links, and a key point has a sign of its own. */
function RowSign({ row, selected, onTick, onRaise }: RowSignProps) {
  const added = useAddedStatus(row.sign);
  if (row.what === 'task')
    return <TaskMark look={markOf(row, added)} of={row.text} selected={selected} onTick={onTick} onRaise={onRaise} />;
  return (
    <Link
      to={row.what === 'note' ? noteAddress(row.path) : noteAddress(row.path, row.line)}
      aria-label={row.what === 'note' ? `Open the note ${row.text}` : `Open the key point ${row.text}`}
      className="row-focus flex h-6 w-6 flex-none items-center justify-center rounded-md text-muted"
    >
      <span
        aria-hidden="true"
        className={row.what === 'note' ? 'h-3 w-2.5 rounded-[2px] border border-edge' : 'h-[7px] w-[7px] rotate-45 bg-primary'}
      />
    </Link>
  );
}

/** Note › heading; a click goes to the line: the list follows it. */
function Source({ row }: { row: RowView }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const note = noteName(row, today, style);
  const heading = row.headings[row.headings.length - 1];
  return (
    <a
      href={noteAddress(row.path, row.line)}
      data-route
      draggable={false}
      className="row-source block w-fit max-w-full truncate text-[0.8rem] leading-5 text-muted hover:text-ink hover:underline"
    >
      {heading === undefined ? note : `${note} › ${heading}`}
    </a>
  );
}
