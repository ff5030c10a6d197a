import type { Settings } from '../../../store/device/settings';

/** One of a few values, each with the words that a person chooses by. */
export interface ChoiceField<Value> {
  is: 'choice';
  label: string;
  options: readonly (readonly [Value, string])[];
}

/** What is drawn for a setting. */
export type Field<Value = never> =
  | ChoiceField<Value>
  /** A number, shown in `unit`s of what is stored. */
  | { is: 'number'; label: string; help?: string; unit: number; least: number; most: number; step: number }
  /** Today's journal page, or a note: an agenda page, or one of kind note. */
  | { is: 'page'; label: string; of: 'agenda' | 'note' }
  | { is: 'handle'; label: string; help: string }
  /** A time of day, stored in minutes after midnight. */
  | { is: 'time'; label: string; help?: string }
  /** A tag, without its sign. */
  | { is: 'tag'; label: string; help?: string }
  /** The words of a heading. */
  | { is: 'heading'; label: string; help?: string }
  /** A number of hours for each weekday. */
  | { is: 'week'; label: string }
  /** Words in an order. */
  | { is: 'words'; label: string; help: string }
  /** Names, each with a condition. */
  | { is: 'sides'; label: string }
  /** Folders, or tags, each with the note to which what is finished goes. */
  | { is: 'folders' | 'shelves'; label: string }
  /** Journals by name, each with its folder. */
  | { is: 'journals'; label: string }
  /** Whether the system tells reminders too, which it must allow. */
  | { is: 'notify'; label: string }
  /** Has a part of the page of its own. */
  | { is: 'keys' | 'statuses' };

/** Every setting with what is drawn for it, in the order of the page: a setting that lacks one does not compile. */
export const FIELDS: { readonly [Name in keyof Settings]: Field<Settings[Name]> } = {
  theme: {
    is: 'choice',
    label: 'Theme',
    options: [
      ['system', 'As the system'],
      ['light', 'Light'],
      ['dark', 'Dark'],
    ],
  },
  textSize: {
    is: 'choice',
    label: 'Text size',
    options: [
      [90, 'Small'],
      [100, 'Middle'],
      [115, 'Large'],
      [130, 'Largest'],
    ],
  },
  textFace: {
    is: 'choice',
    label: 'Letters of notes',
    options: [
      ['text', 'Plain'],
      ['title', 'As titles'],
      ['code', 'All of one width'],
    ],
  },
  lineWidth: {
    is: 'choice',
    label: 'Lines of notes',
    options: [
      ['narrow', 'Short'],
      ['middle', 'Middle'],
      ['wide', 'Long'],
    ],
  },
  accent: {
    is: 'choice',
    label: 'Colour of what can be pressed',
    options: [
      ['teal', 'Teal'],
      ['blue', 'Blue'],
      ['violet', 'Violet'],
      ['slate', 'Slate'],
    ],
  },
  contrast: {
    is: 'choice',
    label: 'Contrast',
    options: [
      ['system', 'As the system'],
      ['normal', 'Usual'],
      ['high', 'High'],
    ],
  },
  firstDayOfWeek: {
    is: 'choice',
    label: 'First day of the week',
    options: [
      [1, 'Monday'],
      [6, 'Saturday'],
      [7, 'Sunday'],
    ],
  },
  dateStyle: {
    is: 'choice',
    label: 'How dates look',
    options: [
      ['words', 'Fri 27 Nov'],
      ['iso', '2026-11-27'],
    ],
  },
  bareDay: {
    is: 'choice',
    label: 'A day typed without a word before it, as in “call Lars fri”',
    options: [
      ['plan', 'is the plan: when you mean to do it'],
      ['due', 'is the due day: by when it must be done'],
    ],
  },
  openSteps: {
    is: 'choice',
    label: 'Finishing a task with open steps',
    options: [
      ['ask', 'asks what becomes of them'],
      ['leave', 'leaves them open'],
      ['close', 'closes them too'],
      ['out', 'moves them out, beside the task'],
    ],
  },
  repeatRecords: {
    is: 'choice',
    label: 'Finishing a repeating task',
    options: [
      ['lines', 'keeps a line of each time'],
      ['count', 'keeps only how often'],
    ],
  },
  repeatLead: {
    is: 'choice',
    label: 'A repeating task comes back',
    options: [
      [0, 'on its day'],
      [1, 'the day before'],
      [3, 'three days before'],
      [7, 'a week before'],
      [null, 'at once: it never rests'],
    ],
  },
  finished: {
    is: 'choice',
    label: 'Finished lines of a note',
    options: [
      ['stay', 'stay where they are'],
      ['sink', 'go to the end of their list'],
      ['hide', 'are out of sight'],
    ],
  },
  holdSeconds: {
    is: 'choice',
    label: 'A ticked row keeps its place in a list',
    options: [
      [0, 'not at all'],
      [2, 'for 2 seconds'],
      [4, 'for 4 seconds'],
      [10, 'for 10 seconds'],
    ],
  },
  workingDay: {
    is: 'number',
    label: 'Hours in a working day',
    help: 'What “takes 1d” comes to.',
    unit: 60,
    least: 1,
    most: 24,
    step: 0.5,
  },
  workingHours: { is: 'week', label: 'Working hours' },
  dayBegins: { is: 'time', label: 'The working hours begin at' },
  openEndLength: {
    is: 'number',
    label: 'Minutes for what says no end',
    help: 'At most so long, or until the next thing of the day begins.',
    unit: 1,
    least: 5,
    most: 240,
    step: 5,
  },
  planHeading: { is: 'heading', label: 'Heading for the order of the day', help: 'On a journal page.' },
  slipHeading: { is: 'heading', label: 'Heading under which slips land', help: 'On a journal page. A time there is no appointment.' },
  slipSide: {
    is: 'choice',
    label: 'What is written down',
    options: [
      ['last', 'stands behind what was there'],
      ['first', 'stands before it'],
    ],
  },
  slipLater: {
    is: 'choice',
    label: 'What is written down for a later day',
    options: [
      ['today', 'goes to today’s page'],
      ['page', 'goes to the page of that day'],
    ],
  },
  slipLink: {
    is: 'choice',
    label: 'Written down while a note is open',
    options: [
      [false, 'a slip says nothing of that note'],
      [true, 'a slip links to that note'],
    ],
  },
  printSources: {
    is: 'choice',
    label: 'On paper, lists say',
    options: [
      [true, 'where each task stands'],
      [false, 'the tasks alone'],
    ],
  },
  carryLines: {
    is: 'choice',
    label: 'A line of a journal page that is carried forward',
    options: [
      ['stay', 'stays where it was written; its plan moves'],
      ['move', 'moves to the page of its new day, with what is under it'],
    ],
  },
  raiseTag: { is: 'tag', label: 'Tag of what is to be raised with a person' },
  notNowTag: { is: 'tag', label: 'Tag of what is off the table' },
  hidesNotNow: {
    is: 'choice',
    label: 'What is off the table',
    options: [
      [false, 'stands in Today, Ahead and Undated all the same'],
      [true, 'stands in Not now alone'],
    ],
  },
  offers: {
    is: 'choice',
    label: 'Dates and more in the words of a task line',
    options: [
      [true, 'are offered to be stored'],
      [false, 'stay words'],
    ],
  },
  finishedHeading: { is: 'heading', label: 'Heading under which finished lines go', help: 'In any note.' },
  archiveNote: { is: 'heading', label: 'Archive of finished lines', help: 'A note; {year} stands for the year.' },
  journals: { is: 'journals', label: 'Other journals' },
  archiveFolders: { is: 'folders', label: 'Archives of folders' },
  shelves: { is: 'shelves', label: 'Shelves: archives of tags' },
  goalLevels: { is: 'words', label: 'Levels of goals', help: 'In their order, with commas between them.' },
  digestHeading: { is: 'heading', label: 'Heading of the digest', help: 'In a meeting.' },
  meetingLists: {
    is: 'choice',
    label: 'What a meeting leads to stands',
    options: [
      ['head', 'at its head'],
      ['foot', 'under its text'],
    ],
  },
  earlierRoom: {
    is: 'choice',
    label: 'Texts that notes had before may take',
    options: [
      [0.5, 'half as much as the notes'],
      [1, 'as much as the notes'],
      [3, 'three times as much'],
    ],
  },
  pictureSize: {
    is: 'choice',
    label: 'Pictures on their way in',
    options: [
      [2400, 'made smaller, to 2,400 pixels'],
      [1200, 'to 1,200 pixels'],
      [null, 'stay as they are, with what the camera wrote into them'],
    ],
  },
  sealsAfter: {
    is: 'choice',
    label: 'Seals close when nobody is there',
    options: [
      [5, 'for 5 minutes'],
      [15, 'for 15 minutes'],
      [60, 'for an hour'],
      [null, 'only when the page is out of sight'],
    ],
  },
  outsideEach: {
    is: 'choice',
    label: 'What changed on outside lists is looked for',
    options: [
      [1, 'every minute'],
      [5, 'every five minutes'],
      [15, 'every quarter of an hour'],
      [60, 'every hour'],
      [null, 'only when asked'],
    ],
  },
  copies: {
    is: 'choice',
    label: 'A copy of everything is made by itself',
    options: [
      ['daily', 'every day'],
      ['weekly', 'every week'],
      ['never', 'never'],
    ],
  },
  routineHeading: { is: 'heading', label: 'Heading of what comes back every day', help: 'On a journal page.' },
  routinesCount: {
    is: 'choice',
    label: 'Tasks under that heading',
    options: [
      [true, 'count in what was kept of a day'],
      [false, 'count nowhere'],
    ],
  },
  remindStarts: {
    is: 'choice',
    label: 'What has a time',
    options: [
      [false, 'reminds only where its line says so'],
      [true, 'reminds when it begins'],
    ],
  },
  notify: { is: 'notify', label: 'Reminders' },
  sides: { is: 'sides', label: 'Sides of your work and life' },
  firstPage: { is: 'page', label: 'Page that opens first', of: 'agenda' },
  me: { is: 'handle', label: 'Your own handle', help: 'Tasks without an owner are yours; a gather may say @me.' },
  loosePlace: { is: 'page', label: 'Where loose tasks are caught', of: 'note' },
  cycle: { is: 'statuses' },
  keys: { is: 'keys' },
};
