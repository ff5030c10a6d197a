import { useMemo } from 'react';
import { isOpen } from '../../../core/task/line/status';
import { readTail } from '../../../core/task/line/tail';
import { readNote } from '../../../core/task/reading/read-note';
import type { Task } from '../../../core/task/line/task';
import { Chips } from '../../../ui/marks/Chips';
import { chipsOf } from '../../../ui/marks/chip-look';
import { InlineText } from '../../../ui/InlineText';
import { TaskMark } from '../../../ui/marks/TaskMark';
import { AgendaLists } from '../agenda/AgendaLists';
import { useAct } from '../../session/acting/use-act';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { type DrawnLine, drawnLines } from './drawn-lines';

interface DrawnNoteProps {
  path: string;
  text: string;
  /** Called with a line (from 0) that was pressed, to be written in. */
  onWrite: (line: number) => void;
}

/** A note without its editor: its marks tick, and a press on its words asks for the editor. */
export function DrawnNote({ path, text, onWrite }: DrawnNoteProps) {
  const workingDay = useAppSelector((state) => state.settings.workingDay);
  const lines = useMemo(() => drawnLines(readNote(path, text, { workingDay })), [path, text, workingDay]);
  return (
    <div
      className="cursor-text leading-[1.6] [font-family:var(--font-text,var(--font-sans))]"
      onClick={(event) => {
        const target = event.target as HTMLElement;
        if (target.closest('button, a, [data-lists]')) return;
        onWrite(Number(target.closest<HTMLElement>('[data-at]')?.dataset['at'] ?? lines.at(-1)?.at ?? 0));
      }}
    >
      {lines.map((line) => (
        <div key={line.at} data-at={line.at}>
          <Line line={line} path={path} />
        </div>
      ))}
    </div>
  );
}

function Line({ line, path }: { line: DrawnLine; path: string }) {
  switch (line.is) {
    case 'heading':
      return <h3 className="mt-2 font-title text-[1.17rem] font-semibold">{<InlineText text={line.words} />}</h3>;
    case 'task':
      return <TaskLine task={line.task} depth={line.depth} path={path} />;
    case 'item':
      return (
        <p className="flex gap-2.5" style={{ paddingInlineStart: `${line.depth * 1.6 + 0.4}rem` }}>
          <span aria-hidden="true">•</span>
          <InlineText text={line.words} />
        </p>
      );
    case 'text':
      return (
        <p>
          <InlineText text={line.words} />
        </p>
      );
    case 'code':
      return <pre className="overflow-x-auto font-mono text-[0.86rem]">{line.words}</pre>;
    case 'gather':
      return <AgendaLists path={path} gathers={[line.text]} look="cards" />;
    case 'gap':
      return <div className="h-3" />;
  }
}

function TaskLine({ task, depth, path }: { task: Task; depth: number; path: string }) {
  const { day: today } = useNow();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  const { act } = useAct();
  const open = isOpen(task.status);
  const ref = { path, line: task.line, expected: task.raw };
  const late = open && task.due !== null && task.due.from < today;
  return (
    <div className="flex items-start gap-2" style={{ paddingInlineStart: `${depth * 1.6}rem` }}>
      <TaskMark
        look={{ status: task.status, priority: task.priority, late, resting: open && task.start !== null && task.start > today }}
        of={task.text}
        onTick={() => void act(ref, task.text, { do: 'status', status: open ? 'done' : 'todo' })}
        onRaise={() => void act(ref, task.text, { do: 'raise', wraps: true })}
      />
      <span className="flex flex-wrap items-baseline gap-x-2">
        <span className={open ? '' : 'text-muted line-through'}>
          <InlineText text={task.text} />
        </span>
        <Chips chips={chipsOf(readTail(task.raw, task.boxFrom), { today, style, workingDay, open, restsUntil: null }, 'list')} />
      </span>
    </div>
  );
}
