import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { lineText, splitLines } from '../../../core/note/blocks/lines';
import type { FoundTask } from '../../../core/index/questions/of-a-task/found-task';
import type { TaskClosely } from '../../../core/index/questions/of-a-task/task-closely';
import { dialogTask } from '../../session/acting/task-dialog';
import { useAct, useUndo } from '../../session/acting/use-act';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useChanges } from '../../session/asked/use-changes';
import type { Decision } from './decisions';

/** Going through a list: the tasks as they were found, and what became of those that were looked at. */
interface Walk {
  tasks: FoundTask[];
  at: number;
  /** What became of each, by its place; what is absent was left as it was. */
  outcomes: Readonly<Record<number, string>>;
}

type Move =
  | { is: 'found'; tasks: FoundTask[] }
  | { is: 'to'; at: number }
  | { is: 'changed'; at: number; raw: string }
  | { is: 'decided'; at: number; outcome: string }
  | { is: 'undone'; at: number };

function walked(walk: Walk | null, move: Move): Walk | null {
  if (move.is === 'found') return { tasks: move.tasks, at: 0, outcomes: {} };
  if (!walk) return null;
  const within = (at: number): number => Math.max(0, Math.min(walk.tasks.length, at));
  switch (move.is) {
    case 'to':
      return { ...walk, at: within(move.at) };
    case 'changed':
      return { ...walk, tasks: walk.tasks.map((task, at) => (at === move.at ? { ...task, raw: move.raw } : task)) };
    case 'decided':
      return { ...walk, at: within(move.at + 1), outcomes: { ...walk.outcomes, [move.at]: move.outcome } };
    case 'undone': {
      const { [move.at]: _gone, ...outcomes } = walk.outcomes;
      return { ...walk, at: within(move.at), outcomes };
    }
  }
}

export interface Through extends Walk {
  /** The task that lies before one; undefined while it is looked for, null where it is gone. */
  task: TaskClosely | null | undefined;
  decide: (decision: Decision) => void;
  reword: (text: string) => void;
  to: (at: number) => void;
  /** Takes the last decision back, and returns to its task. */
  undo: () => void;
}

function lineOf(text: string | null, line: number): string | null {
  const lines = splitLines(text ?? '');
  return line < lines.starts.length ? lineText(lines, line) : null;
}

/** One task of a list after the other; null while the list is gathered. */
export function useThrough(text: string, place: string | null): Through | null {
  const { engine, store } = useServices();
  const { act, actAll } = useAct();
  const undoStep = useUndo();
  const dispatch = useAppDispatch();
  const changes = useChanges();
  // Asked before, a list would be taken for empty.
  const isRead = useAppSelector((state) => state.library.overview !== null);
  const [walk, move] = useReducer(walked, null);
  const [task, setTask] = useState<TaskClosely | null | undefined>(undefined);
  /** The decision that is under way, of which task, and the newest step before it: a dialog made it when there is a newer one. */
  const pending = useRef<{ at: number; outcome: string | null; before: Promise<{ id?: number } | null> } | null>(null);
  /** The places of the decisions, in their order. */
  const made = useRef<{ at: number; raw: string }[]>([]);
  useEffect(() => {
    if (!isRead) return;
    let gone = false;
    void engine.ask('matching', { text, at: place }).then((tasks) => !gone && move({ is: 'found', tasks }));
    return () => {
      gone = true;
    };
  }, [engine, text, place, isRead]);
  const at = walk?.at ?? 0;
  const present = walk?.tasks[at];
  useEffect(() => {
    if (!present) return;
    let gone = false;
    const { path, line, raw } = present;
    const look = async (): Promise<void> => {
      const found = await engine.ask('closely', { path, line, raw });
      const asked = pending.current;
      // What a dialog was closed without, and what others changed meanwhile, is no decision.
      const isDecided = found === null && asked?.at === at && (await asked.before)?.id !== (await store.steps.last())?.id;
      const now = isDecided && asked.outcome === null ? lineOf(await store.text(path), line) : null;
      if (gone) return;
      if (!isDecided) setTask(found);
      // Else what it was decided by says so itself.
      else if (pending.current === asked) {
        pending.current = null;
        made.current.push({ at, raw });
        if (now !== null) move({ is: 'changed', at, raw: now });
        else move({ is: 'decided', at, outcome: asked.outcome ?? 'changed' });
      }
    };
    void look();
    return () => {
      gone = true;
    };
  }, [engine, store, present, at, changes]);
  const decide = useCallback(
    ({ does, outcome }: Decision) => {
      if (!task || does === 'reword') return;
      const asked = dialogTask(task.row);
      const waiting = { at, outcome, before: store.steps.last() };
      pending.current = waiting;
      if ('ask' in does) {
        dispatch(frameSlice.actions.dialogShown(does.ask(asked)));
        return;
      }
      const intentions = does.act(task.row);
      const done = ([raw]: readonly (string | null)[]): void => {
        // Where it asks what becomes of open steps, it is done later.
        if (raw == null || pending.current !== waiting) return;
        pending.current = null;
        made.current.push({ at, raw: task.row.raw });
        move({ is: 'changed', at, raw });
        if (outcome !== null) move({ is: 'decided', at, outcome });
      };
      // It has no day already.
      if (intentions.length === 0) {
        if (outcome !== null) move({ is: 'decided', at, outcome });
      } else void actAll([asked], intentions).then(done);
    },
    [task, at, store, actAll, dispatch],
  );
  const reword = useCallback(
    (words: string) => {
      if (!task) return;
      void act(dialogTask(task.row).ref, task.row.text, { do: 'reword', text: words }).then((raw) => {
        if (raw === null) return;
        made.current.push({ at, raw: task.row.raw });
        move({ is: 'changed', at, raw });
      });
    },
    [task, at, act],
  );
  const undo = useCallback(() => {
    const last = made.current.pop();
    void undoStep().then(() => {
      if (!last) return;
      move({ is: 'changed', at: last.at, raw: last.raw });
      move({ is: 'undone', at: last.at });
    });
  }, [undoStep]);
  const to = useCallback((next: number) => {
    pending.current = null;
    setTask(undefined);
    move({ is: 'to', at: next });
  }, []);
  return useMemo(() => walk && { ...walk, task, decide, reword, to, undo }, [walk, task, decide, reword, to, undo]);
}
