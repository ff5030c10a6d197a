/**
 * How the text of a note that is written stands to the store.
 *
 * - `still`: everything is durable
 * - `typed`: something is not, and will be stored when the hands rest
 * - `failed`: it could not be stored; it is tried again
 * - `gone`: the note went, and nothing of it was unsaved
 */
export type TextState = 'still' | 'typed' | 'failed' | 'gone';

/** What happens to it: it differs from the store; all of it, or part of it, became durable; it could not be; its note went, or came. */
export type TextEvent = 'differs' | 'durable' | 'partly' | 'failed' | 'went' | 'came';

/** What follows what: an event that is not named leaves the state as it is. */
const NEXT: Readonly<Record<TextState, Partial<Record<TextEvent, TextState>>>> = {
  still: { differs: 'typed', partly: 'typed', failed: 'failed', went: 'gone' },
  typed: { durable: 'still', failed: 'failed', went: 'gone' },
  // What is typed after a failure is stored with what failed: it stays to be told until it is.
  failed: { durable: 'still', partly: 'typed', went: 'gone' },
  gone: { came: 'still', differs: 'typed' },
};

export const textStateAfter = (state: TextState, event: TextEvent): TextState => NEXT[state][event] ?? state;
