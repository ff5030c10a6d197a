/** A form in which notes and tasks go out. */
export type OutFormat = 'markdown' | 'plain' | 'text' | 'html' | 'opml' | 'ics' | 'csv' | 'json' | 'vcard';

interface FormatFacts {
  /** What a person chooses. */
  name: string;
  /** What it is for, and what stays behind, in one sentence. */
  holds: string;
  /** Of its file, with the dot. */
  ending: string;
  type: string;
}

/** Every form, in the order in which they are offered. */
export const OUT_FORMATS: Readonly<Record<OutFormat, FormatFacts>> = {
  markdown: {
    name: 'Markdown',
    holds: 'The text as it is stored.',
    ending: '.md',
    type: 'text/markdown',
  },
  plain: {
    name: 'Plain Markdown',
    holds: 'For people without Recado: dates and the rest in words.',
    ending: '.md',
    type: 'text/markdown',
  },
  text: {
    name: 'Indented text',
    holds: 'A line for each item, indented by level, boxes and clauses as they are written.',
    ending: '.txt',
    type: 'text/plain',
  },
  html: {
    name: 'Web page',
    holds: 'One file that every browser shows and prints; dates in words.',
    ending: '.html',
    type: 'text/html',
  },
  opml: {
    name: 'OPML outline',
    holds: 'For outliners: headings, items and what stands under them; clauses as attributes.',
    ending: '.opml',
    type: 'text/x-opml',
  },
  ics: {
    name: 'iCalendar',
    holds: 'Tasks as to-dos with their alarms, appointments and meetings as events. Headings and plain lines stay behind.',
    ending: '.ics',
    type: 'text/calendar',
  },
  csv: {
    name: 'Table (CSV)',
    holds: 'A row for each task, closed ones too. What stands around tasks stays behind.',
    ending: '.csv',
    type: 'text/csv',
  },
  json: {
    name: 'JSON',
    holds: 'For programs: the text of each note whole, and every task with its fields.',
    ending: '.json',
    type: 'application/json',
  },
  vcard: {
    name: 'vCards',
    holds: 'The pages of people, for an address book. Other notes stay behind.',
    ending: '.vcf',
    type: 'text/vcard',
  },
};
