import type { Day } from '../../../core/calendar/day';
import type { FoundTask } from '../../../core/index/questions/of-a-task/found-task';
import type { RowView } from '../../../core/index/live/view';
import type { LineRef } from '../../../core/task/writing/edit';
import type { OutFormat } from '../../../core/formats/out/formats';
import type { WideIntention } from '../../../core/task/acts/intention';

/** A task that a dialog is about. */
export interface DialogTask {
  ref: LineRef;
  text: string;
  /** Its open steps, at any depth. */
  openSteps?: number;
}

/** A gather as the text of a note keeps it. */
export interface KeptGather {
  home: string;
  text: string;
}

/** A list and, when it is known, the task of which one asks why it stands there. */
export interface WhyQuestion {
  /** Where its text is kept, so that it can be changed there. */
  kept: KeptGather | null;
  task: DialogTask | null;
  /** The text of the gather, and the note that holds it. */
  gather: string;
  at: string | null;
}

/** Which day a dialog asks for. */
export type DayAsked = 'plan' | 'due' | 'rest';

/** What is asked about one task or several: its details, another day in words, names, with whom to raise it, another place, a word on why it is closed, what becomes of its open steps. */
export type TaskDialog =
  | { is: 'details'; task: DialogTask }
  /** `repeats` says what becomes of those that repeat, where all of a page is carried on. */
  | { is: 'day'; tasks: DialogTask[]; what: DayAsked; repeats?: 'skip' | 'along' }
  /** `first` is the field that has the focus, where it is not the one for names. */
  | { is: 'names'; tasks: DialogTask[]; first?: 'owner' }
  /** With whom they are to be raised. */
  | { is: 'raise'; tasks: DialogTask[] }
  | { is: 'place'; tasks: DialogTask[]; what: 'move' | 'archive' | 'echo' }
  /** Where a gather is to stand. */
  | { is: 'place'; what: 'gather'; text: string }
  | { is: 'remark'; tasks: DialogTask[]; status: 'done' | 'cancelled' }
  | { is: 'steps'; tasks: DialogTask[]; intention: Extract<WideIntention, { do: 'status' }>; openSteps: number };

/** What is to go out: a note, words that no note holds, a line of one with all under it, or what gathers hold at a place. */
export type AskedTakeOut =
  | { what: 'note'; path: string; title: string; first?: OutFormat }
  | { what: 'text'; title: string; text: string; first?: OutFormat }
  | { what: 'lines'; ref: LineRef; title: string; first?: OutFormat }
  /** Without texts all that the note there gathers; a page of gathers may also go out as the note that it is. */
  | { what: 'lists'; texts: string[] | null; at: string | null; title: string; columns?: string[]; isPage?: boolean; first?: OutFormat };

/** What is to be lent: a note, the item or section that begins with a line, a task, or what a list holds. Lines are found wherever they go meanwhile. */
export type AskedLending =
  | { what: 'note'; path: string; title: string }
  | { what: 'line'; ref: LineRef; title: string }
  | { what: 'task'; ref: LineRef; title: string }
  | { what: 'list'; text: string; at: string | null; title: string };

/** Every dialog that is asked for from elsewhere than its own place; `app/DialogHost.tsx` says what each is. */
export type AskedDialog =
  | TaskDialog
  | { is: 'commands' }
  /** With a title and folder where it is made for a link. */
  | { is: 'new-note'; title?: string; folder?: string }
  /** With words where they were given; by the path of its note, where a slip of one's own is meant. */
  | { is: 'slip'; typed?: string; slip?: string }
  /** What earlier days left open. */
  | { is: 'carry' }
  /** What is to be remembered, where it is several things. */
  | { is: 'reminders' }
  /** A month of journal pages: the one of a day. */
  | { is: 'month'; day?: Day }
  /** The name and key of a pin. */
  | { is: 'pin'; address: string }
  /** What is finished of some lines, or of what a gather finds at a place without its limits. */
  | { is: 'archive'; refs: LineRef[] }
  | { is: 'archive'; refs?: undefined; gather: { text: string; at: string | null } }
  /** Onto which outside list they go, and how. */
  | { is: 'onto'; tasks: DialogTask[] }
  /** A review that is begun, or gone on with. */
  | { is: 'new-review' }
  | { is: 'import' }
  | { is: 'print' }
  | ({ is: 'take-out' } & AskedTakeOut)
  /** How something is to be lent; by its name, where it is already. */
  | ({ is: 'lend' } & (AskedLending | { name: string }))
  /** A seal that is to be opened, where it is known; or that of a note. */
  | { is: 'seal'; what: 'open'; seal?: string; path?: string }
  | { is: 'seal'; what: 'notes'; paths: string[]; title: string }
  | { is: 'seal'; what: 'folder'; folder: string }
  | { is: 'seal'; what: 'passphrase'; seal: string }
  | { is: 'unsaved' };

/** What finds the line of a task that was asked for. */
export const foundTaskRef = ({ path, line, raw }: Pick<FoundTask, 'path' | 'line' | 'raw'>): LineRef => ({ path, line, expected: raw });

/** A row of a list as a dialog takes it. */
export function dialogTask(row: RowView): DialogTask {
  return {
    ref: { path: row.path, line: row.line, expected: row.raw },
    text: row.text,
    openSteps: Math.max(0, row.stepCount - row.stepsDone),
  };
}
