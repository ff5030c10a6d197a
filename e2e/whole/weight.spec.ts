import { readFileSync } from 'node:fs';
import type { Locator } from '@playwright/test';
import { expect, test } from '../desk';

const CONTROLS = 'button, a[href], input, select, textarea, summary, [role="button"], [role="checkbox"], [contenteditable="true"]';
/** What stands for a thing of the person's own, not for something that can be done: a note, a day, a task, what stands in a text. */
const THINGS = ['note', 'day', 'tag', 'person'].map((page) => `a[href^="/${page}/"]`).concat('[data-row]', '.cm-content');

/** The controls that a person sees within a part of the page, without those that stand for things. */
function inSight(part: Locator, things: readonly string[] = THINGS): Promise<string[]> {
  const ask = { controls: CONTROLS, things: things.join(', ') };
  return part.evaluate((root, { controls, things: left }) => {
    const isSeen = (element: Element): boolean => {
      const { top, left: start, bottom, right, width, height } = element.getBoundingClientRect();
      if (width < 2 || height < 2 || bottom <= 0 || right <= 0 || top >= innerHeight || start >= innerWidth) return false;
      return element.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    };
    return [...root.querySelectorAll(controls)]
      .filter((element) => isSeen(element) && (left === '' || !element.closest(left)))
      .map((element) => (element.getAttribute('aria-label') ?? element.textContent).trim().slice(0, 40));
  }, ask);
}

/** The figures that docs/weight.md says, by the screen. */
function said(): Record<string, number> {
  // Below them the acts have a table of their own.
  const [screens = ''] = readFileSync('docs/weight.md', 'utf8').split('\n## ');
  const rows = screens.matchAll(/^\| ([^|]+?) +\| +(\d+) \|/gm);
  return Object.fromEntries([...rows].map(([, screen = '', count]): [string, number] => [screen, Number(count)]));
}

test('the controls in sight are as many as docs/weight.md says', async ({ desk, page }) => {
  test.slow();
  const found: Record<string, string[]> = {};
  const body = page.locator('body');
  const look = async (screen: string, part = body, things?: readonly string[]): Promise<void> => {
    await page.mouse.move(2, 400);
    found[screen] = await inSight(part, things);
  };
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Look around in the demo' })).toBeVisible();
  await look('First opening');
  await desk.open('demo');
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
  await expect(desk.text).toBeVisible();
  await expect(desk.beside.getByRole('listitem').first()).toBeVisible();
  // What is in hand is asked for once the lists stand.
  const begin = page.locator('footer').getByRole('button', { name: 'Begin' });
  await expect(begin).toBeVisible();
  await expect(desk.main.getByText('done', { exact: false }).first()).toBeVisible();
  await look('A note');
  await page.goto('/note/Agenda/Today.md');
  const row = desk.row(desk.main, 'Sign the glass-case insurance rider');
  await expect(row).toBeVisible();
  // What earlier days left open is asked for once the lists stand.
  await expect(desk.main.getByRole('button', { name: 'Look through them' })).toBeVisible();
  await expect(begin).toBeVisible();
  await look('Today');
  await look('A row of a list', row, []);
  await page.goto('/day/2026-11-23');
  await expect(desk.text).toBeVisible();
  await expect(begin).toBeVisible();
  await expect(desk.beside.getByRole('listitem').first()).toBeVisible();
  await look('A day');
  await page.goto('/day/2026-11-23?view=plan');
  await expect(desk.main.getByRole('region', { name: 'The end of the day' })).toBeVisible();
  await expect(begin).toBeVisible();
  await look('A day turned to its plan');
  await page.goto('/note/Meetings/Registrar%20meeting.md');
  await expect(desk.main.getByRole('region', { name: 'The meeting' }).getByRole('link', { name: 'All 3' })).toBeVisible();
  await expect(begin).toBeVisible();
  await look('A meeting');
  await page.goto('/note/Agenda/Board.md');
  await expect(desk.main.getByRole('region', { name: 'To do' }).getByRole('listitem').first()).toBeVisible();
  await expect(begin).toBeVisible();
  await look('A board');
  await page.goto('/note/Agenda/Today.md');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.reload();
  await expect(row).toBeVisible();
  await look('Today on a phone');
  await page.goto('/note/Exhibitions/Salt%20on%20the%20Glass.md');
  await expect(desk.text).toBeVisible();
  await look('A note on a phone');
  const counts = Object.fromEntries(Object.entries(found).map(([screen, controls]) => [screen, controls.length]));
  expect(counts, JSON.stringify(found, null, 1)).toEqual(said());
});
