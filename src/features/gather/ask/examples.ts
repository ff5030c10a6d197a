import { gatherBlock } from '../../../core/gather/saying/gather-block';

/** What a gather may begin with: in words, in the language, and what of the language it shows. */
export const EXAMPLES = [
  { words: 'All that is open', text: 'where open', about: 'The shortest one: a condition and nothing else.' },
  {
    words: 'What is due in the next two weeks, week by week',
    text: 'where open and due in next 14 days\ngroup by week\norder by due, priority',
    about: 'Days that go along with the calendar, groups, and an order.',
  },
  {
    words: 'What can be done in half an hour',
    text: 'where open and takes <= 30m\norder by priority, due',
    about: 'A measure; what says no length is left out.',
  },
  {
    words: 'What others have in hand',
    text: 'where waiting or (open and owner != me and owner != nobody)\ngroup by person\nincluding resting',
    about: 'One or the other, in brackets; what rests is brought in.',
  },
  {
    words: 'What cannot go on',
    text: 'where open and blocked\ngroup by note\ncolumns needs, due',
    about: 'Tasks that wait for another one, and for which.',
  },
  {
    words: 'What was finished in the last week, day by day',
    text: 'where done in last 7 days\ngroup by done desc',
    about: 'Closed tasks, the last day on top.',
  },
  {
    words: 'Projects that are under way',
    text: 'from notes\nwhere kind = project and open > 0\ncolumns open, progress, due',
    about: 'Notes instead of tasks, with how far they are.',
  },
  {
    words: 'Notes that hold open tasks, and when they changed last',
    text: 'from notes\nwhere open > 0\norder by open desc\ncolumns open, changed',
    about: 'Where work lies, and where nobody looked for long.',
  },
  {
    words: 'What nobody touched for two months',
    text: 'where open and untouched > 60 days and now\ngroup by note',
    about: 'Since its line was changed last; what is off the table is left out.',
  },
  {
    words: 'All that has a date, as bars from plan to due',
    text: 'where open and with any date\nas spans by note',
    about: 'Another form; dragging a bar changes the dates.',
  },
] as const;

const HOME_LISTS = [
  'title Late\nwhere late',
  'title Today\nwhere open and not late and (due = today or plan = today)',
  'title Tomorrow\nwhere open and (due = tomorrow or plan = tomorrow)',
  'title Ahead\nwhere open and due in next 14 days and due > tomorrow\ngroup by week',
  'title To buy\nwhere open and #buy',
];

/** A page of several lists, which a person makes their own. */
export const HOME_PAGE = {
  words: 'A home page: late, today, tomorrow, ahead and things to buy on one sheet',
  about: 'Several lists on one page, made at a press; change and name it as you like.',
  title: 'Home',
  text: `---\nkind: agenda\n---\nWhat there is now, what comes, and what to bring.\n\n${HOME_LISTS.map(gatherBlock).join('\n')}\n`,
};
