import { isoDay } from '../../calendar/day';
import { act } from './act';
import { ACTION_DEFAULTS, type ActionContext } from './action-context';
import { type Change, applyChanges } from '../writing/edit';
import type { Intention } from './intention';

/** A Monday. */
export const NOW = { day: 20780, minute: 9 * 60 + 14 };
export const TODAY = isoDay(NOW.day);
export const CONTEXT: ActionContext = { now: NOW, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

export const status = (name: 'todo' | 'underway' | 'waiting' | 'done' | 'cancelled'): Intention => ({ do: 'status', status: name });

/** What an action makes of a whole text, its line named by the words that it holds. */
export function whole(text: string, words: string, intention: Intention, context: Partial<ActionContext> = {}): string {
  const lines = text.split('\n');
  const line = lines.findIndex((one) => one.includes(words));
  const outcome = act(text, { line, expected: lines[line] ?? '' }, intention, { ...CONTEXT, ...context });
  return 'refused' in outcome ? outcome.refused : applyChanges(text, outcome.changes);
}

/** The changes that take changes back: applied to what they made, they give the text before. */
export function inverseChanges(text: string, changes: readonly Change[]): Change[] {
  let moved = 0;
  return changes.map(({ from, to, insert }) => {
    const start = from + moved;
    moved += insert.length - (to - from);
    return { from: start, to: start + insert.length, insert: text.slice(from, to) };
  });
}
