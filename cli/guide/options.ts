/** An option of the runner. */
interface OptionGuide {
  /** What its value is called in usage lines; null for one that is said alone. */
  value: string | null;
  says: string;
  /** The values it can have, where they are few. */
  among?: readonly string[];
}

/** Every option of the runner, by its name without the two dashes. */
export const OPTIONS = {
  json: { value: null, says: 'Print the answer as JSON.' },
  settings: { value: 'FILE', says: 'A file of settings, as Recado exports them; without it each has its default.' },
  now: { value: 'TIME', says: 'The moment to reckon with, such as 2026-11-23T09:14; the clock of the machine at first.' },
  today: { value: 'DAY', says: 'The day to reckon with, such as 2026-11-23.' },
  help: { value: null, says: 'Say what the command does, and do nothing.' },
  version: { value: null, says: 'Print the version of Recado.' },
  write: { value: null, says: 'Store what comes of it in the files; without it nothing is changed.' },
  query: { value: 'TEXT', says: 'A gather, as in a fenced block.' },
  at: { value: 'PLACE', says: 'A note, or a line of one: Loans.md, Loans.md:12.' },
  expect: { value: 'TEXT', says: 'The words that must stand on the line; else nothing is done.' },
  remark: { value: 'TEXT', says: 'A line that is written under the task.' },
  steps: { value: 'WHAT', says: 'What becomes of open steps.', among: ['leave', 'close', 'out'] },
  dates: { value: 'WHAT', says: 'What becomes of dates where a list is reset.', among: ['keep', 'clear'] },
  from: { value: 'DAY', says: 'The first day.' },
  to: { value: 'WHERE', says: 'The last day; of archive, the note that takes what is finished.' },
  done: { value: 'DAY', says: 'The day on which it was finished.' },
  count: { value: 'N', says: 'How many, from 1 to 10000; 5 at first.' },
  in: { value: 'PATH', says: 'The folder of notes in which it lands.' },
  name: { value: 'WORDS', says: 'What {{name}} stands for.' },
  answers: { value: 'JSON', says: 'What was asked, and what was answered: {"who is there": "Ilse"}.' },
  as: { value: 'FORMAT', says: 'The format of the file.', among: ['text', 'html', 'opml', 'ics', 'csv', 'json', 'vcard'] },
  map: { value: 'JSON', says: 'Which column of a table is what: {"task": "Title", "due": "When"}.' },
  tasks: { value: null, says: 'Only notes with tasks.' },
  open: { value: null, says: 'Only notes with open tasks.' },
} satisfies Record<string, OptionGuide>;

export type OptionName = keyof typeof OPTIONS;

export const guideOf = (name: OptionName): OptionGuide => OPTIONS[name];

/** Options that every command takes. */
export const EVERYWHERE: readonly OptionName[] = ['json', 'settings', 'now', 'today', 'help'];
