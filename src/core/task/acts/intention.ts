import type { ClauseName, Priority } from '../line/clause';
import type { Status } from '../line/status';

/** What becomes of the open steps of a task that is finished or cancelled. */
export type OpenSteps = 'leave' | 'close' | 'out';

/** What a person wants done to a task, a line, or the list it stands in. */
export type Intention =
  /** A repeat takes its next date when it is done or cancelled; `sign` is that of an added status. */
  | { do: 'status'; status: Status; sign?: string; remark?: string; steps?: OpenSteps }
  /** To do → Under way → Done → To do. */
  | { do: 'cycle' }
  /** Ends a repeat: the line itself is cancelled. */
  | { do: 'end'; remark?: string }
  /** A clause by its words: `due 2026-11-27`, `due fri`, `high`, `every mon`. */
  | { do: 'set'; clause: string }
  | { do: 'unset'; clause: ClauseName }
  | { do: 'priority'; priority: Priority | null }
  /** One step weightier; `wraps` goes on with low behind top. */
  | { do: 'raise'; wraps?: boolean }
  | { do: 'lower' }
  /** To a day (`fri`, `next week`), which becomes its plan, or by a time (`3 days`); `by 1 dec` moves the due day. */
  | { do: 'push'; to: string }
  /** The same; a repeat that is due by today is skipped until it comes after today, or taken along. */
  | { do: 'carry'; to: string; repeats: 'skip' | 'along' }
  /** Its start, plan and due day together, so many days on. */
  | { do: 'shift'; days: number }
  /** For a time (`3 days`) or until a day. */
  | { do: 'rest'; until: string }
  /** `#name` or `@name`; without a sign it is a tag. */
  | { do: 'tag'; name: string }
  | { do: 'untag'; name: string }
  | { do: 'reword'; text: string }
  /** A line or bullet to a task, a task to a bullet. */
  | { do: 'convert' }
  | { do: 'duplicate' }
  /** Takes the item away with what is under it. */
  | { do: 'delete' }
  /** What is finished goes to the end of its list. */
  | { do: 'sink' }
  /** What is finished goes under a heading at the foot of the note. */
  | { do: 'sweep' }
  /** Starts a finished list, or what is under an item, again. */
  | { do: 'reset'; dates?: 'keep' | 'clear' }
  | { do: 'ref' };

/** What a person wants done that may touch more than one note. */
export type WideIntention =
  | Intention
  | { do: 'swap'; with: { path: string; line: number; expected: string } }
  /** Another task, in any note, must be closed first; it gets a ref where it has none. */
  | { do: 'need'; other: { path: string; line: number; expected: string } }
  | { do: 'move'; to: string }
  | { do: 'archive'; to: string }
  | { do: 'echo'; in: string };
