import type { Locator, Page } from '@playwright/test';
import { expect, test } from '../desk';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

const STEPS = 16;

/** A finger that goes from the middle of something by some pixels, in small steps. */
async function drag(page: Page, what: Locator, { across = 0, down = 0 }: { across?: number; down?: number }): Promise<void> {
  await what.scrollIntoViewIfNeeded();
  const box = await what.boundingBox();
  if (!box) throw new Error('it is not in sight');
  const [x, y] = [box.x + box.width * (across < 0 ? 0.8 : 0.5), box.y + box.height / 2];
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
  for (let step = 1; step <= STEPS; step++) {
    const at = { x: x + (across * step) / STEPS, y: y + (down * step) / STEPS };
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [at] });
    // The browser scrolls with what it draws: a finger that is there at once scrolls nothing.
    await page.evaluate(() => new Promise(requestAnimationFrame));
  }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await touch.detach();
}

/** What is in sight and cannot be met by a finger within 44 px; links within words and what a long press or a menu does as well are left out. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, input, summary, select, [role=checkbox]')]
      .filter((one) => {
        const { left, top, width, bottom } = one.getBoundingClientRect();
        if (width === 0 || top < 80 || bottom > window.innerHeight - 150) return false;
        if (one.closest('p, .cm-content, .row-source') || one.matches('.row-pick, .name-link, .row-source')) return false;
        const whole = one.closest('label') ?? one;
        const box = whole.getBoundingClientRect();
        // From top to bottom of what meets the finger, through the middle: in a row it reaches down to the next.
        const middle = box.top + box.height / 2 + (one.closest('li[data-row]') ? 9 : 0);
        return [-18, 18].some((by) => {
          const found = document.elementFromPoint(left + width / 2, middle + by);
          // A message in passing may lie over it.
          return !found || !(whole.contains(found) || found.contains(whole) || found.closest('[data-sonner-toaster]'));
        });
      })
      .map((one) => `${one.getAttribute('aria-label') ?? one.textContent.trim().slice(0, 40)} ${one.offsetWidth}×${one.offsetHeight}`),
  );

test('a day on the phone: a slip, ticks, pushes by a finger, the plan put in order, a board, finding, going through', async ({
  desk,
  page,
}) => {
  test.slow();
  await desk.open('demo');
  const places = page.getByRole('navigation', { name: 'Main places' });
  // A thought is written down with two touches.
  await places.getByRole('button', { name: 'Slip' }).tap();
  await expect(page.getByRole('textbox', { name: 'Words of the slip' })).toBeFocused();
  await page.keyboard.type('Weigh the crate tomorrow 15:00');
  await page.getByRole('button', { name: 'Store' }).tap();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('Weigh the crate {plan 2026-11-24 15:00');

  await places.getByRole('link', { name: 'Today' }).tap();
  const row = (words: string) => page.locator('li[data-row]').filter({ hasText: words }).first();
  await expect(row('Sign the glass-case insurance')).toBeVisible();
  expect(await tooSmall(page)).toEqual([]);
  await row('Return the borrowed barrow').getByRole('checkbox').tap();
  await expect.poll(() => desk.stored('Private/Allotment.md')).toContain('[x] Return the borrowed barrow');
  // A long way aside pushes at once; a short one shows the button that does the same, and a touch elsewhere brings the row back.
  await drag(page, row('Sign the glass-case insurance').locator('> div'), { across: -230 });
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toMatch(/Sign the glass-case.*plan 2026-11-24/);
  const mercury = row('whether the mercury is sealed');
  await drag(page, mercury.locator('> div'), { across: -90 });
  const aside = page.getByRole('button', { name: /^To tomorrow: Ask @ilse whether the mercury/ });
  await expect(aside).toBeVisible();
  await page.getByRole('heading', { level: 1 }).tap();
  await expect(aside).toBeHidden();
  expect(await desk.stored('Collections/Barometers.md')).not.toMatch(/mercury.*plan 2026-11-24/);
  await drag(page, mercury.locator('> div'), { across: -90 });
  // The browser takes a touch right after another for a double one, and gives no click: a person is slower.
  await expect(async () => {
    await aside.tap({ timeout: 1000 });
    await expect(aside).toBeHidden({ timeout: 1000 });
  }).toPass();
  await expect.poll(() => desk.stored('Collections/Barometers.md')).toMatch(/mercury.*plan 2026-11-24/);
  // A finger that goes up and down scrolls, and pushes nothing.
  await drag(page, row('Send crate sizes').locator('> div'), { across: -40, down: -200 });
  await expect(page.getByRole('button', { name: /^To tomorrow: Send/ })).toBeHidden();

  await page.goto('/day/2026-11-23?view=plan');
  const names = () => page.getByRole('region', { name: 'The day' }).locator('[data-place] li[data-row]').allInnerTexts();
  await expect.poll(names).not.toEqual([]);
  const [first = ''] = await names();
  const handle = page.getByRole('button', { name: /^Move .* up, or drag it$/ });
  expect(await tooSmall(page)).toEqual([]);
  await drag(page, handle.first(), { down: 110 });
  await expect.poll(async () => (await names()).indexOf(first)).toBeGreaterThan(0);
  const place = (await names()).indexOf(first);
  await expect(async () => {
    await handle.nth((await names()).indexOf(first)).tap();
    await expect.poll(async () => (await names()).indexOf(first), { timeout: 1000 }).toBeLessThan(place);
  }).toPass();

  // Lines go in and out by the tools above the keyboard.
  await page.goto('/note/Exhibitions/Opening evening.md');
  await desk.write('\n- [ ] Ask for chairs\nCount them');
  await page.getByRole('toolbar', { name: 'Tools for the text' }).getByRole('button', { name: 'Indent' }).tap();
  await expect.poll(() => desk.stored('Exhibitions/Opening evening.md')).toMatch(/\n- \[ \] Ask for chairs\n {2}- \[ \] Count them/);
  await page.getByRole('toolbar', { name: 'Tools for the text' }).getByRole('button', { name: 'Outdent' }).tap();
  await expect.poll(() => desk.stored('Exhibitions/Opening evening.md')).toMatch(/\n- \[ \] Count them/);

  // A board goes from column to column, and a card goes on by its menu.
  await page.goto('/note/Agenda/Board.md');
  const column = (name: string) => desk.main.getByRole('region', { name, exact: true });
  const head = (name: string) => column(name).getByRole('heading').first();
  await expect(head('To do')).toBeInViewport();
  await expect(head('Under way')).not.toBeInViewport({ ratio: 0.5 });
  await drag(page, column('To do').locator('li[data-row]').nth(1), { across: -240 });
  await expect(head('Under way')).toBeInViewport({ ratio: 0.9 });

  await places.getByRole('link', { name: 'Find' }).tap();
  await expect(page.getByRole('searchbox', { name: 'Find' })).toBeFocused();
  await page.keyboard.type('barometer');
  await expect(desk.main.getByRole('region', { name: 'Notes' })).toBeVisible();
  expect(await tooSmall(page)).toEqual([]);

  // One after the other, with a touch for each decision.
  await page.goto('/note/Agenda/Inbox.md');
  await page.getByRole('button', { name: 'How this list is shown' }).first().tap();
  await page.getByRole('menuitem', { name: 'Go through it, one after the other' }).tap();
  await expect(page.getByText(/^1 of \d+/)).toBeVisible();
  await page.getByRole('button', { name: /^Tomorrow/ }).tap();
  await expect(page.getByText(/^2 of \d+/)).toBeVisible();

  // On its side, and on a small one, everything that matters is in reach.
  for (const size of [
    { width: 844, height: 390 },
    { width: 360, height: 640 },
  ]) {
    await page.setViewportSize(size);
    await page.goto('/note/Agenda/Today.md');
    await expect(row('Send crate sizes')).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  }
});
