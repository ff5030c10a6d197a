import type { ActionContext } from '../../../core/task/acts/action-context';
import type { Task } from '../../../core/task/line/task';
import type { DayAsked } from '../../session/acting/task-dialog';

/** What the commands of a text need beside the text. */
export interface TextHost {
  context: () => ActionContext;
  /** Ticks the tasks on some lines (from 0), as one step. */
  tick: (lines: readonly number[]) => void;
  /** Raises the priority of the task on a line (from 0). */
  raise: (line: number) => void;
  /** Shows the details of the task on a line (from 0). */
  details: (line: number) => void;
  /** Asks for one day, or for names, for all of these tasks. */
  dates: (tasks: readonly Task[], what: DayAsked) => void;
  names: (tasks: readonly Task[]) => void;
  /** Asks onto which outside list all of these tasks go. */
  onto: (tasks: readonly Task[]) => void;
  /** Asks for a word to be written under all of these tasks when they are closed. */
  remark: (tasks: readonly Task[], status: 'done' | 'cancelled') => void;
  closeUp: (line: number) => void;
  wider: () => void;
  /** Asks how the item or section on a line (from 0) is to go out. */
  takeOut: (line: number) => void;
  /** Asks how the item or section on a line (from 0) is to be lent. */
  lend: (line: number) => void;
  insertMenu: () => void;
  /** Shows the card of the name or link at the cursor; whether there is one. */
  card: () => boolean;
  /** Makes a note with some title beside this one and goes there; Back returns to the line (from 0). */
  makeNote: (title: string, line: number) => void;
  /** Makes a page for a person. */
  makePerson: (handle: string) => void;
  /** Makes a meeting of the appointment on a line (from 0). */
  makeMeeting: (line: number) => void;
  /** The tag of what is to be raised with a person, without its sign. */
  raiseTag: () => string;
  /** The tag of what is off the table. */
  notNowTag: () => string;
  told: (reason: string) => void;
  /** Takes back what happened last, in this text or by an action; false when nothing did. */
  undo: () => boolean;
  redo: () => boolean;
}
