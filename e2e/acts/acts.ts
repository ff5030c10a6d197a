import { type Act, LINES, ROWS, wordsOf } from './act';
import { ACTS_ANYWHERE } from './anywhere';
import { ACTS_ON_LINES } from './on-lines';
import { ACTS_ON_ROWS } from './on-rows';

/** The forty commonest acts. */
export const ACTS: readonly Act[] = [...ACTS_ON_LINES, ...ACTS_ON_ROWS, ...ACTS_ANYWHERE];

/** The notes on which they are done. */
export const NOTES: Record<string, string> = {
  [LINES]:
    ACTS_ON_LINES.map(({ name }) => {
      const words = wordsOf(name);
      if (name === 'A line becomes a task' || name === 'A line is a key point') return `- ${words}`;
      if (name === 'A link is followed') return `- [ ] ${words} [[Lamp room]]`;
      if (name === 'A task of who is named') return `- ${words} @kofi`;
      return name === 'An item goes down' ? `- [ ] ${words}\n- [ ] Next to it` : `- [ ] ${words}`;
    }).join('\n') + '\n- [x] Long finished {done 2026-11-20}\n',
  [ROWS]: ACTS_ON_ROWS.map(({ name }) => {
    const words = wordsOf(name);
    if (name.includes('finished')) return `- [x] ${words} {done 2026-11-20}`;
    if (name.startsWith('Several')) return `- [ ] ${words} one {due 2026-11-23}\n- [ ] ${words} two {due 2026-11-23}`;
    return `- [ ] ${words} {due 2026-11-23}`;
  }).join('\n'),
  'Salt on the Glass.md': 'An exhibition.\n\n- [ ] Scrape the barnacles\n',
  'Lamp room.md': 'Up the stairs.\n',
  'People/kofi.md': '---\nkind: person\nhandle: kofi\n---\n',
  'Journal/2026-11-20.md': '- [ ] Left by Friday {plan 2026-11-20}\n',
};
