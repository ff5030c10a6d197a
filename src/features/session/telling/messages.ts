/** Something that is said in passing, in a corner of the page. */
export interface Message {
  /** Another message of this name takes its place. */
  id: string;
  words: string;
  /** What was refused or warns says so by a sign, not by colour alone; work under way stays until it is unsaid. */
  is: 'told' | 'refused' | 'warning' | 'working';
  action?: { words: string; act: () => void };
  /** Where there are several answers; each takes the message away. */
  choices?: readonly { words: string; act: () => void }[];
  /** Milliseconds; the usual time when left out. */
  lasts?: number;
}

interface Listener {
  said: (message: Message) => void;
  unsaid: (id: string) => void;
}

/** What was said before somebody showed it. */
let waiting: Message[] = [];
let listener: Listener | null = null;
/** The messages that were said last, by their names. */
const said: string[] = [];
const MOST_SAID = 20;
let count = 0;
const wanting = new Set<() => void>();

/**
 * Says something in passing.
 *
 * @example say('Done: Weigh the crate', { action: { words: 'Undo', act: takeBack } })
 * @returns its name, by which it is said otherwise or unsaid
 */
export function say(words: string, more: Partial<Omit<Message, 'words'>> = {}): string {
  const message: Message = { id: `message ${count++}`, is: 'told', ...more, words };
  said.splice(0, said.length, ...said.filter((id) => id !== message.id).slice(1 - MOST_SAID), message.id);
  if (listener) listener.said(message);
  else {
    waiting = [...waiting.filter(({ id }) => id !== message.id), message];
    for (const want of wanting) want();
  }
  return message.id;
}

/** Says why something was not done. */
export const refuse = (words: string): string => say(words, { is: 'refused' });

/** Takes a message away. */
export function unsay(id: string): void {
  waiting = waiting.filter((message) => message.id !== id);
  listener?.unsaid(id);
}

/** Takes all messages away, as when what they tell of is to be read no more. */
export function unsayAll(): void {
  for (const id of said.splice(0)) unsay(id);
}

/** Shows the messages: those that waited, and those that come; until what it gives is called. */
export function showMessages(shows: Listener): () => void {
  listener = shows;
  for (const message of waiting.splice(0)) shows.said(message);
  return () => {
    listener = null;
  };
}

/** Calls when a message waits to be shown; what shows them is loaded then. */
export function whenWaiting(want: () => void): () => void {
  wanting.add(want);
  if (waiting.length > 0) want();
  return () => void wanting.delete(want);
}
