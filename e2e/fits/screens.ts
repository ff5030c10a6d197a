/** A word as long as German ones can be. */
const LONG = 'Donaudampfschifffahrtselektrizitätenhauptbetriebswerkbauunterbeamtengesellschaft';

/** Notes that are hard to draw: words that no column holds, and names that are written from right to left. */
export const HARD_NOTES: Record<string, string> = {
  [`Exhibitions/${LONG}.md`]: `---\nkind: project\nabout: "[[Salt on the Glass]]"\n---\n# ${LONG}\n\n- [ ] ${LONG} #${LONG.toLowerCase()} @kofi {due 2026-11-23; plan 2026-11-23 14:00; takes 2h; high; owner @kofi}\n- [ ] שלום לתערוכה של הים @نور {due 2026-11-23}\n- [ ] https://example.org/${'a'.repeat(120)} {plan 2026-11-23}\n- [x] a #${LONG.toLowerCase()} {done 2026-11-20}\n`,
  'People/نور.md': '---\nkind: person\nhandle: نور\nname: نور الدين عبد الرحمن\n---\n- [ ] اسأل عن الزجاج {due 2026-11-23}\n',
};

const agenda = (title: string): string => `/note/Agenda/${encodeURIComponent(title)}.md`;

/** The addresses of all screens, by what they show. */
export const SCREENS: Record<string, string> = {
  'the page of today': '/day/2026-11-23',
  'the plan of a day': '/day/2026-11-23?view=plan',
  'the week by its hours': '/day/2026-11-23?view=week',
  'all days': '/days',
  Today: agenda('Today'),
  Waiting: agenda('Waiting'),
  Board: agenda('Board'),
  Month: agenda('Month'),
  Projects: agenda('Projects'),
  People: agenda('People'),
  Goals: agenda('Goals'),
  'What comes again': agenda('What comes again'),
  'Record of days': agenda('Record of days'),
  'Picture of the work': agenda('Picture of the work'),
  'a note': '/note/Exhibitions/Salt%20on%20the%20Glass.md',
  'a note of long words': `/note/Exhibitions/${encodeURIComponent(LONG)}.md`,
  'a note as tasks': '/note/Exhibitions/Salt%20on%20the%20Glass.md?view=tasks',
  'a note by its headings': '/note/Exhibitions/Salt%20on%20the%20Glass.md?view=by-heading',
  'a meeting': '/note/Meetings/Registrar%20meeting.md',
  'a series': '/series/Registrar%20meetings',
  'a person': '/person/kofi',
  'a person from right to left': `/person/${encodeURIComponent('نور')}`,
  'a tag': '/tag/loans',
  'a status': '/status/waiting',
  'a folder': '/folder/Exhibitions',
  Find: '/find?q=crate',
  'asking by pointing': `/ask?q=${encodeURIComponent('open and due < today\ngroup by note')}`,
  'going through': '/through?q=open',
  brainstorm: '/brainstorm',
  help: '/help/first-day',
  'earlier texts': '/earlier/Exhibitions/Salt%20on%20the%20Glass.md',
  'what is kept': '/keep',
  settings: '/settings',
  files: '/files',
  'outside lists': '/outside',
  'lent out': '/lent-out',
};

/** Those that are the hardest to fit, for every run. */
export const HARD_SCREENS = [
  'the page of today',
  'the plan of a day',
  'Projects',
  'Record of days',
  'Picture of the work',
  'a note of long words',
  'a meeting',
  'a person from right to left',
  'going through',
  'settings',
];
