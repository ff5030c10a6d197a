import { expect } from '@playwright/test';
import { type Act, inMenu, dialog, inDialog, stored, addressIs, ROWS, wordsOf } from './act';

const rowAct = (name: string, keys: Act['keys'], points: Act['points'], shows: Act['shows'], touches?: Act['touches']): Act => ({
  name,
  from: 'row',
  keys,
  points,
  ...(touches && { touches }),
  shows,
});

/** What is done on the row of a list. */
export const ACTS_ON_ROWS: Act[] = [
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
      await inMenu('A task goes to tomorrow', 'To tomorrow')(hand, desk);
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
      await hand.point(inDialog(desk, 'Tomorrow'));
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
      await hand.point(inDialog(desk, 'Store'));
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
      await expect(dialog(desk).getByRole('textbox').or(dialog(desk).getByRole('combobox')).first()).toBeFocused();
      await hand.type('Lamp room');
      await hand.point(
        dialog(desk)
          .getByRole('option', { name: /Lamp room/ })
          .or(inDialog(desk, 'Move'))
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
      await expect(inDialog(desk, 'Archive it')).toBeFocused();
      await hand.press('Enter');
    },
    async (hand, desk) => {
      await inMenu('A finished task is archived', 'Archive…')(hand, desk);
      await hand.point(inDialog(desk, 'Archive it'));
    },
    stored('Archive/2026.md', /- \[x\] Crate A finished task is archived/),
  ),
];
