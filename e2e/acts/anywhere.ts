import { expect } from '@playwright/test';
import type { Desk } from '../desk';
import { type Act, command, dialog, stored, addressIs, TODAY_PAGE } from './act';

const pageAct = (name: string, keys: Act['keys'], points: Act['points'], shows: Act['shows'], touches?: Act['touches']): Act => ({
  name,
  from: 'page',
  keys,
  points,
  ...(touches && { touches }),
  shows,
});

const place = (desk: Desk, name: string) => desk.page.getByRole('navigation', { name: 'Main places' }).getByText(name, { exact: true });

/** What is done from wherever one is. */
export const ACTS_ANYWHERE: Act[] = [
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
