import { expect } from '@playwright/test';
import type { Desk } from '../desk';
import type { Hand } from './hand';

/** Where an act begins: with the cursor on its line, with the focus on its row in Today, or anywhere. */
type From = 'line' | 'row' | 'page';

/** One of the commonest acts, and how it is done. */
export interface Act {
  /** Its name in docs/weight.md. */
  name: string;
  from: From;
  keys: (hand: Hand, desk: Desk) => Promise<void>;
  /** By pointing: with the mouse, and by touch where that is not done otherwise. */
  points: (hand: Hand, desk: Desk) => Promise<void>;
  touches?: (hand: Hand, desk: Desk) => Promise<void>;
  shows: (desk: Desk) => Promise<void>;
}

const LINES = 'Lines.md';
const ROWS = 'Rows.md';
export const TODAY_PAGE = 'Journal/2026-11-23.md';

/** The words of the line or row of an act. */
export const wordsOf = (name: string): string => `Crate ${name.replace(/[^a-z]+/gi, ' ').trim()}`;

/** A command by pointing: the menu of all commands, its words, and the entry. */
const command = async (hand: Hand, desk: Desk, title: string): Promise<void> => {
  await hand.point(desk.page.getByRole('button', { name: 'All commands' }).last());
  await expect(desk.page.getByRole('combobox')).toBeFocused();
  await hand.type(title);
  await hand.point(desk.page.getByRole('option', { name: new RegExp(`^${title.replace(/[()]/g, '.')}`) }).first());
};

const tool = (desk: Desk, name: string) =>
  desk.page.getByRole('toolbar', { name: 'Tools for the text' }).getByRole('button', { name, exact: true });

/** The menu of the row of an act, and what is chosen in it. */
const inMenu =
  (name: string, ...entries: string[]) =>
  async (hand: Hand, desk: Desk): Promise<void> => {
    const row = desk.row(desk.main, wordsOf(name));
    if (hand.by === 'clicks') await row.hover();
    await hand.point(row.getByRole('button', { name: `Actions for ${wordsOf(name)}` }));
    for (const entry of entries) {
      const words = new RegExp(`^${entry}`);
      await hand.point(
        desk.page
          .getByRole('menuitem', { name: words })
          .or(desk.page.getByRole('menuitemradio', { name: words }))
          .last(),
      );
    }
  };

const dialog = (desk: Desk) => desk.page.getByRole('dialog');
const store = (desk: Desk, name: string) => dialog(desk).getByRole('button', { name, exact: true });

const stored =
  (path: string, holds: RegExp) =>
  async (desk: Desk): Promise<void> => {
    await expect.poll(() => desk.stored(path)).toMatch(holds);
  };
const addressIs =
  (address: RegExp) =>
  async (desk: Desk): Promise<void> => {
    await expect(desk.page).toHaveURL(address);
  };

/** An act on a line that has a key and a command, and says what the line is then. */
const onLine = (name: string, key: string, title: string, line: RegExp, by: { tool?: string } = {}): Act => ({
  name,
  from: 'line',
  keys: (hand) => hand.press(key),
  points: (hand, desk) => command(hand, desk, title),
  ...(by.tool !== undefined && { touches: (hand: Hand, desk: Desk) => hand.point(tool(desk, by.tool ?? '')) }),
  shows: stored(LINES, line),
});

const ACTS_ON_LINES: Act[] = [
  {
    ...onLine('A line becomes a task', 'Control+Shift+Enter', 'Make tasks of the lines', /- \[ \] Crate A line becomes a task/),
    touches: (hand, desk) => hand.point(tool(desk, 'Tick, or make a task of the line')),
  },
  {
    ...onLine('A task is ticked as one writes', 'Control+Enter', 'Tick the task', /- \[x\] Crate A task is ticked as one writes/),
    points: (hand, desk) => hand.point(desk.text.locator('.cm-line').filter({ hasText: 'Crate A task is ticked' }).locator('.task-mark')),
    touches: (hand, desk) => hand.point(tool(desk, 'Tick, or make a task of the line')),
  },
  {
    name: 'A day in words is stored',
    from: 'line',
    keys: async (hand) => {
      await hand.type(' fri');
      await hand.press('Control+Shift+K');
    },
    points: async (hand, desk) => {
      await hand.type(' fri');
      await command(hand, desk, 'Store the dates');
    },
    shows: stored(LINES, /Crate A day in words is stored \{plan 2026-11-27/),
  },
  onLine('A task gets its priority', 'Alt+PageUp', 'Priority up', /Crate A task gets its priority \{high/),
  onLine('A task becomes a step', 'Tab', 'Indent the item', /\n {2}- \[ \] Crate A task becomes a step/, { tool: 'Indent' }),
  onLine('An item goes down', 'Alt+ArrowDown', 'Move the item down', /Next to it\n- \[ \] Crate An item goes down/),
  onLine('A line is a key point', 'Control+Shift+F1', 'Mark the line as a key point', /- Crate A line is a key point \{key\}/),
  onLine('A task of who is named', 'Control+Alt+Enter', 'A task of who is named', /Crate A task of who is named @kofi \{owner @kofi/),
  {
    name: 'A name is put on it',
    from: 'line',
    keys: async (hand) => {
      await hand.press('Control+Shift+M');
      await hand.type('#loans');
      await hand.press('Enter');
    },
    points: async (hand, desk) => {
      await command(hand, desk, 'Tags, people, links');
      await hand.type('#loans');
      await hand.point(store(desk, 'Store'));
    },
    shows: stored(LINES, /Crate A name is put on it #loans/),
  },
  {
    name: 'A link is written',
    from: 'line',
    keys: async (hand, desk) => {
      await hand.type(' [[Salt');
      await expect(desk.page.locator('.cm-tooltip-autocomplete').getByText('Salt on the Glass')).toBeVisible();
      await hand.press('Enter');
    },
    points: async (hand, desk) => {
      await hand.type(' [[Salt');
      await hand.point(desk.page.locator('.cm-tooltip-autocomplete').getByText('Salt on the Glass'));
    },
    shows: stored(LINES, /Crate A link is written \[\[Salt on the Glass\]\]/),
  },
  {
    name: 'A link is followed',
    from: 'line',
    keys: async (hand) => {
      // The cursor stands at the end of the line, behind the link.
      await hand.press('Alt+Shift+Enter');
    },
    points: async (hand, desk) => {
      // Where the cursor stands a link is text.
      await desk.page.keyboard.press('ArrowDown');
      await hand.point(desk.text.getByText('Lamp room').first());
    },
    shows: addressIs(/Lamp%20room/),
  },
  {
    ...onLine('One branch fills the page', 'Control+Shift+E', 'Close-up of the item', /./),
    shows: async (desk) => {
      await expect(desk.text.getByText('Next to it')).toBeHidden();
    },
  },
  {
    name: 'Finished lines are out of sight',
    from: 'line',
    keys: (hand) => hand.press('Shift+F8'),
    points: (hand, desk) => command(hand, desk, 'Show or hide the finished'),
    shows: async (desk) => {
      await expect(desk.text.getByText('Long finished')).toBeHidden();
    },
  },
  {
    name: 'What was done is undone',
    from: 'line',
    keys: async (hand, desk) => {
      await desk.page.keyboard.press('Control+Enter');
      await expect.poll(() => desk.stored(LINES)).toContain('[x] Crate What was done is undone');
      await hand.press('Control+z');
    },
    points: async (hand, desk) => {
      await desk.page.keyboard.press('Control+Enter');
      await expect.poll(() => desk.stored(LINES)).toContain('[x] Crate What was done is undone');
      if (hand.by === 'touches') await hand.point(tool(desk, 'Undo'));
      else await command(hand, desk, 'Undo the last action');
    },
    shows: stored(LINES, /- \[ \] Crate What was done is undone/),
  },
];

const rowAct = (name: string, keys: Act['keys'], points: Act['points'], shows: Act['shows'], touches?: Act['touches']): Act => ({
  name,
  from: 'row',
  keys,
  points,
  ...(touches && { touches }),
  shows,
});

const ACTS_ON_ROWS: Act[] = [
  rowAct(
    'A task is ticked in a list',
    (hand) => hand.press('Space'),
    (hand, desk) => hand.point(desk.row(desk.main, wordsOf('A task is ticked in a list')).getByRole('checkbox').first()),
    stored(ROWS, /- \[x\] Crate A task is ticked in a list/),
  ),
  rowAct(
    'A task goes to tomorrow',
    (hand) => hand.press('Control+ArrowRight'),
    async (hand, desk) => {
      await inMenu('A task goes to tomorrow', 'Plan…')(hand, desk);
      await hand.point(store(desk, 'Tomorrow'));
    },
    stored(ROWS, /Crate A task goes to tomorrow \{[^}]*2026-11-24/),
  ),
  rowAct(
    'A task goes to another day',
    async (hand) => {
      await hand.press('Control+.');
      await hand.type('next fri');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A task goes to another day', 'Plan…')(hand, desk);
      await hand.point(dialog(desk).getByRole('button', { name: /^Friday 27 Nov/ }));
    },
    stored(ROWS, /Crate A task goes to another day \{[^}]*2026-(?:11-27|12-04)/),
  ),
  rowAct(
    'A task rests',
    async (hand, desk) => {
      await hand.press('Control+k');
      await hand.type('rest until');
      await hand.press('Enter');
      await expect(dialog(desk).getByLabel('Day', { exact: true })).toBeFocused();
      await hand.type('3 days');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A task rests', 'Rest…')(hand, desk);
      await hand.point(store(desk, 'Tomorrow'));
    },
    stored(ROWS, /Crate A task rests \{[^}]*start 2026-11-2[46]/),
  ),
  rowAct(
    'A row gets its priority',
    (hand) => hand.press('Control+ArrowUp'),
    inMenu('A row gets its priority', 'Priority', 'High'),
    stored(ROWS, /Crate A row gets its priority \{[^}]*high/),
  ),
  rowAct(
    'A task is given to somebody',
    async (hand) => {
      await hand.press('Control+Shift+M');
      await hand.type('owner @kofi');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A task is given to somebody', 'Tags, people')(hand, desk);
      await expect(dialog(desk).getByLabel('Add', { exact: true })).toBeFocused();
      await hand.type('owner @kofi');
      await hand.point(store(desk, 'Store'));
    },
    stored(ROWS, /Crate A task is given to somebody \{[^}]*owner @kofi/),
  ),
  rowAct(
    'A task moves to another note',
    async (hand) => {
      await hand.press('Control+m');
      await hand.type('Lamp room');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A task moves to another note', 'Move to a note…')(hand, desk);
      await hand.type('Lamp room');
      await hand.point(
        dialog(desk)
          .getByRole('option', { name: /Lamp room/ })
          .or(store(desk, 'Move'))
          .first(),
      );
    },
    stored('Lamp room.md', /Crate A task moves to another note/),
  ),
  rowAct(
    'A task is off the table',
    (hand) => hand.press('Control+Shift+ArrowRight'),
    inMenu('A task is off the table', 'Not now'),
    stored(ROWS, /Crate A task is off the table #not-now/),
  ),
  rowAct(
    'A task is cancelled with a remark',
    async (hand, desk) => {
      await hand.press('Control+k');
      await hand.type('cancel with');
      await hand.press('Enter');
      await expect(dialog(desk).getByRole('textbox')).toBeFocused();
      await hand.type('sold');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A task is cancelled with a remark', 'Cancel with a remark…')(hand, desk);
      await expect(dialog(desk).getByRole('textbox')).toBeFocused();
      await hand.type('sold');
      await hand.point(dialog(desk).locator('button[type=submit]'));
    },
    stored(ROWS, /- \[-\] Crate A task is cancelled with a remark[^\n]*\n\s+- sold/),
  ),
  rowAct(
    'Several tasks go to tomorrow',
    async (hand) => {
      await hand.press('Shift+ArrowDown');
      await hand.press('Control+ArrowRight');
    },
    async (hand, desk) => {
      const [one, two] = ['one', 'two'].map((which) => desk.row(desk.main, `Crate Several tasks go to tomorrow ${which}`));
      if (hand.by === 'touches') {
        await one
          ?.getByText(/^Crate Several/)
          .first()
          .dispatchEvent('pointerdown', { pointerType: 'touch', clientX: 100, clientY: 300 });
        await expect(desk.page.getByRole('region', { name: 'Selected tasks' })).toContainText('1 task');
        await one
          ?.getByText(/^Crate Several/)
          .first()
          .dispatchEvent('pointerup', { pointerType: 'touch' });
        hand.count++;
        if (two) await hand.point(two.getByText(/^Crate Several/).first());
      } else {
        for (const row of [one, two]) {
          await row
            ?.getByText(/^Crate Several/)
            .first()
            .click({ modifiers: ['Control'] });
          hand.count++;
        }
      }
      await hand.point(desk.page.getByRole('region', { name: 'Selected tasks' }).getByRole('button', { name: 'To tomorrow' }));
    },
    stored(ROWS, /tomorrow one \{[^}]*2026-11-24[^]*tomorrow two \{[^}]*2026-11-24/),
  ),
  rowAct(
    'The details of a task',
    (hand) => hand.press('Enter'),
    inMenu('The details of a task', 'Details…'),
    async (desk) => {
      await expect(dialog(desk).getByLabel('Words')).toHaveValue('Crate The details of a task');
      await desk.page.keyboard.press('Escape');
    },
  ),
  rowAct(
    'The line of a task',
    (hand) => hand.press('Control+Enter'),
    (hand, desk) => hand.point(desk.row(desk.main, wordsOf('The line of a task')).getByRole('link', { name: 'Rows' })),
    addressIs(/note\/Rows\.md\?line=/),
  ),
  rowAct(
    'Why a task stands there',
    async (hand) => {
      await hand.press('Control+k');
      await hand.type('why tasks stand');
      await hand.press('Enter');
    },
    inMenu('Why a task stands there', 'Why it stands here'),
    async (desk) => {
      await expect(desk.page.getByText(/^Why/).first()).toBeVisible();
    },
  ),
  rowAct(
    'A finished task is archived',
    async (hand, desk) => {
      await hand.press('Control+k');
      await hand.type('archive');
      await hand.press('Enter');
      await expect(store(desk, 'Archive it')).toBeFocused();
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A finished task is archived', 'Archive…')(hand, desk);
      await hand.point(store(desk, 'Archive it'));
    },
    stored('Archive/2026.md', /- \[x\] Crate A finished task is archived/),
  ),
];

const pageAct = (name: string, keys: Act['keys'], points: Act['points'], shows: Act['shows'], touches?: Act['touches']): Act => ({
  name,
  from: 'page',
  keys,
  points,
  ...(touches && { touches }),
  shows,
});

const place = (desk: Desk, name: string) => desk.page.getByRole('navigation', { name: 'Main places' }).getByText(name, { exact: true });

const ACTS_ANYWHERE: Act[] = [
  pageAct(
    'A slip is filled in',
    async (hand) => {
      await hand.press('F10');
      await hand.type('call lars tomorrow');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await hand.point(desk.rack.getByRole('button', { name: /^Slip/ }));
      await hand.type('call lars tomorrow');
      await hand.point(dialog(desk).locator('button[type=submit]'));
    },
    stored(TODAY_PAGE, /- \[ \] call lars \{plan 2026-11-24/i),
    async (hand, desk) => {
      await hand.point(place(desk, 'Slip'));
      await hand.type('call lars tomorrow');
      await hand.point(dialog(desk).locator('button[type=submit]'));
    },
  ),
  pageAct(
    'The page of today',
    (hand) => hand.press('F2'),
    (hand, desk) => command(hand, desk, 'Go to today’s journal'),
    addressIs(/day\/2026-11-23/),
    (hand, desk) => hand.point(place(desk, 'Journal')),
  ),
  pageAct(
    'What today asks for',
    (hand) => hand.press('F4'),
    (hand, desk) => hand.point(desk.rack.getByText('Today', { exact: true })),
    addressIs(/Agenda\/Today/),
    (hand, desk) => hand.point(place(desk, 'Today')),
  ),
  pageAct(
    'The day before',
    (hand) => hand.press('Control+F2'),
    (hand, desk) => hand.point(desk.page.locator('[data-day="2026-11-22"]')),
    addressIs(/day\/2026-11-22/),
  ),
  pageAct(
    'A note by its name',
    async (hand, desk) => {
      await hand.press('Control+k');
      await hand.type('lamp room');
      await expect(desk.page.getByRole('option', { name: /Lamp room/ }).first()).toBeVisible();
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await hand.point(desk.page.getByRole('button', { name: 'All commands' }).last());
      await hand.type('lamp room');
      await hand.point(desk.page.getByRole('option', { name: /Lamp room/ }).first());
    },
    addressIs(/Lamp%20room/),
    async (hand, desk) => {
      await hand.point(place(desk, 'Find'));
      await expect(desk.main.getByRole('searchbox')).toBeFocused();
      await hand.type('lamp room');
      await hand.point(desk.main.getByRole('link', { name: /Lamp room/ }).first());
    },
  ),
  pageAct(
    'A word in all notes',
    async (hand) => {
      await hand.press('Shift+F9');
      await hand.type('barnacle');
    },
    async (hand, desk) => {
      await hand.point(desk.rack.getByRole('link', { name: 'Find' }));
      await hand.type('barnacle');
    },
    async (desk) => {
      await expect(desk.main.getByText('Scrape the barnacles').first()).toBeVisible();
    },
    async (hand, desk) => {
      await hand.point(place(desk, 'Find'));
      await expect(desk.main.getByRole('searchbox')).toBeFocused();
      await hand.type('barnacle');
    },
  ),
  pageAct(
    'Back to the place before',
    async (hand, desk) => {
      await desk.page.keyboard.press('F4');
      await expect(desk.page).toHaveURL(/Agenda\/Today/);
      await hand.press('Control+F12');
    },
    async (hand, desk) => {
      await desk.page.goto('/note/Agenda/Today.md');
      await hand.browserBack();
    },
    async (desk) => {
      await expect(desk.page).not.toHaveURL(/Agenda\/Today/);
    },
  ),
  pageAct(
    'A new note',
    (hand) => hand.press('Control+F6'),
    (hand, desk) => command(hand, desk, 'New empty note'),
    addressIs(/note\/Untitled/),
    async (hand, desk) => {
      await hand.point(place(desk, 'Notes'));
      await command(hand, desk, 'New empty note');
    },
  ),
  pageAct(
    'The day is planned',
    (hand) => hand.press('Control+Shift+F2'),
    async (hand, desk) => {
      await hand.point(desk.page.locator('[data-day="2026-11-23"]'));
      await hand.point(desk.main.getByRole('link', { name: 'Plan', exact: true }));
    },
    async (desk) => {
      await expect(desk.main.getByRole('region', { name: 'The day', exact: true })).toBeVisible();
    },
  ),
  pageAct(
    'What earlier days left goes on',
    async (hand, desk) => {
      await hand.press('Shift+F4');
      await expect(dialog(desk).getByRole('radiogroup').first()).toBeFocused();
      await hand.press('1');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await desk.page.goto('/note/Agenda/Today.md');
      await hand.point(desk.main.getByRole('button', { name: /^Look through/ }));
      await hand.point(dialog(desk).getByRole('radio', { name: 'To today' }).first());
      await hand.point(dialog(desk).locator('button[type=submit]'));
    },
    stored('Journal/2026-11-20.md', /Left by Friday \{plan 2026-11-23/),
  ),
  pageAct(
    'A meeting begins',
    async (hand, desk) => {
      await desk.page.goto('/note/People/kofi.md');
      await expect(desk.text).toBeVisible();
      await hand.press('Control+Shift+F11');
    },
    async (hand, desk) => {
      await desk.page.goto('/person/kofi');
      await command(hand, desk, 'New meeting');
    },
    addressIs(/note\/Meetings\//),
    async (hand, desk) => {
      await desk.page.goto('/note/People/kofi.md');
      await hand.point(desk.main.getByRole('button', { name: 'Actions for this note' }));
      await hand.point(desk.page.getByRole('menuitem', { name: 'New meeting' }));
    },
  ),
  pageAct(
    'A list is gone through',
    async (hand, desk) => {
      await desk.page.goto('/note/Agenda/Undated.md');
      await desk.row(desk.main, 'barnacles').getByRole('checkbox').first().focus();
      await hand.press('Control+k');
      await hand.type('go through');
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await desk.page.goto('/note/Agenda/Undated.md');
      await hand.point(desk.main.getByRole('button', { name: 'How this list is shown' }).first());
      await hand.point(desk.page.getByRole('menuitem', { name: /^Go through/ }));
    },
    addressIs(/through/),
  ),
];

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
