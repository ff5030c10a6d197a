import { expect } from '@playwright/test';
import type { Desk } from '../desk';
import { type Act, command, tool, inDialog, stored, addressIs, LINES } from './act';
import type { Hand } from './hand';

/** An act on a line that has a key and a command, and says what the line is then. */
const onLine = (name: string, key: string, title: string, line: RegExp, by: { tool?: string } = {}): Act => ({
  name,
  from: 'line',
  keys: (hand) => hand.press(key),
  points: (hand, desk) => command(hand, desk, title),
  ...(by.tool !== undefined && { touches: (hand: Hand, desk: Desk) => hand.point(tool(desk, by.tool ?? '')) }),
  shows: stored(LINES, line),
});

/** What is done where one writes. */
export const ACTS_ON_LINES: Act[] = [
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
      await hand.point(inDialog(desk, 'Store'));
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
