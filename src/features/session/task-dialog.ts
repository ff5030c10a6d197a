import type { LineRef } from '../../core/task/edit';
import type { WideIntention } from '../../core/task/intention';

/** A task that a dialog is about. */
export interface DialogTask {
  ref: LineRef;
  text: string;
}

/** What is asked about a task: why it stands where it does, another day in words, why it is cancelled, or what becomes of its open steps. */
export type TaskDialog =
  /** Why a gather's text, in the note at `at`, shows it. */
  | { is: 'why'; task: DialogTask; gather: string; at: string | null }
  | { is: 'day'; task: DialogTask; what: 'plan' | 'due' | 'rest' }
  | { is: 'remark'; task: DialogTask; openSteps: number }
  | { is: 'steps'; task: DialogTask; intention: Extract<WideIntention, { do: 'status' }>; openSteps: number };
