/** What a gather may begin with, in words and in the language. */
export const EXAMPLES = [
  { words: 'All that is open', text: 'where open' },
  {
    words: 'What is due in the next two weeks, week by week',
    text: 'where open and due in next 14 days\ngroup by week\norder by due, priority',
  },
  { words: 'What can be done in half an hour', text: 'where open and takes <= 30m\norder by priority, due' },
  {
    words: 'What others have in hand',
    text: 'where waiting or (open and owner != me and owner != nobody)\ngroup by person\nincluding resting',
  },
  { words: 'What was finished in the last week, day by day', text: 'where done in last 7 days\ngroup by done desc' },
  { words: 'Projects that are under way', text: 'from notes\nwhere kind = project and open > 0\ncolumns open, progress, due' },
] as const;
