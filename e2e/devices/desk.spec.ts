import AxeBuilder from '@axe-core/playwright';
import type { Browser, Page } from '@playwright/test';
import { Desk, NOW, expect, test } from '../desk';

/** Another device: a browser of its own, with a phone's size and fingers. */
async function phone(browser: Browser): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.clock.setFixedTime(NOW);
  return page;
}

/** So long something may be on its way from one device to another, on a machine that is busy with other things; in milliseconds. */
const ON_ITS_WAY = { timeout: 60_000 };

const NOTE = 'Exhibitions/Salt on the Glass.md';

test('a desk is begun, a phone is linked by words, what is written on one is there on the other, and the phone is unlinked when it is lost', async ({
  desk,
  page,
  browser,
}) => {
  test.slow();
  await desk.open('demo');
  await page.goto('/keep');
  await page.getByRole('button', { name: 'Begin a desk on the server' }).click();
  const part = page.getByRole('region', { name: 'A desk on the server' });
  await expect(part.getByText('is in step')).toBeVisible(ON_ITS_WAY);
  await part.getByRole('button', { name: 'Link another device…' }).click();
  const words = await page.getByTestId('link-words').innerText();
  expect(words.split(' ')).toHaveLength(8);
  // However often it is told meanwhile how the desk goes, the words stay what they are, and good.
  await page.clock.setFixedTime(new Date(NOW.getTime() + 2 * 60_000));
  await expect(page.getByText('looked at today 09:22')).toBeVisible(ON_ITS_WAY);
  expect(await page.getByTestId('link-words').innerText()).toBe(words);
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);

  const mobile = await phone(browser);
  const there = new Desk(mobile);
  // As the code leads there, with one letter too many at first.
  await mobile.goto(`/link#${words.replaceAll(' ', '+')}`);
  await mobile.getByLabel('Words of the invitation').fill('no such words');
  await mobile.getByRole('button', { name: 'Link this device' }).click();
  await expect(mobile.getByRole('alert')).toContainText('none of the words');
  await mobile.getByLabel('Words of the invitation').fill(words.toUpperCase());
  await mobile.getByLabel('Name of this device').fill('Pocket');
  const narrow = await new AxeBuilder({ page: mobile }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze();
  expect(narrow.violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
  await mobile.getByRole('button', { name: 'Link this device' }).tap();
  await expect(page.getByRole('dialog').getByText('“Pocket” is linked.')).toBeVisible(ON_ITS_WAY);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(part.getByRole('list', { name: 'Devices' })).toContainText('Pocket');
  await expect.poll(() => there.stored(NOTE), ON_ITS_WAY).toContain('barometer');

  // Written on the phone, there on the computer; and the other way, with the settings.
  await mobile.goto('/slip?text=Ring Lars about the crate');
  await mobile.getByRole('button', { name: 'Store' }).tap();
  await expect.poll(() => desk.stored('Journal/2026-11-23.md'), ON_ITS_WAY).toContain('Ring Lars about the crate');
  await page.goto(`/note/${NOTE}`);
  await desk.write('\n- [ ] Written at the desk');
  await expect.poll(() => there.stored(NOTE), ON_ITS_WAY).toContain('Written at the desk');
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'Large', exact: true }).click();
  const size = async (one: Desk) => ((await one.storedSettings()) as { textSize?: string } | undefined)?.textSize;
  await expect.poll(() => size(desk)).not.toBeUndefined();
  await expect.poll(() => size(there), ON_ITS_WAY).toBe(await size(desk));

  // Lost: it is let in no more, says so, and keeps what it has.
  await page.goto('/keep');
  await part.getByRole('button', { name: 'Unlink Pocket' }).click();
  await part.getByRole('button', { name: 'Unlink it' }).click();
  await expect(part.getByRole('list', { name: 'Devices' })).not.toContainText('Pocket');
  await mobile.goto('/keep');
  await mobile.getByRole('button', { name: 'Look now' }).tap();
  await expect(mobile.getByText('The server does not know this device any more')).toBeVisible(ON_ITS_WAY);
  await page.goto(`/note/${NOTE}`);
  await desk.write('\n- [ ] Not for the lost one');
  await page.goto('/keep');
  await expect(part.getByText('is in step')).toBeVisible(ON_ITS_WAY);
  expect(await there.stored(NOTE)).not.toContain('Not for the lost one');
  await mobile.getByRole('button', { name: 'Unlink this device…' }).tap();
  await mobile.getByRole('button', { name: 'Unlink it' }).tap();
  await mobile.getByRole('button', { name: 'Forget the desk here' }).tap();
  await expect(mobile.getByRole('link', { name: 'Link to a desk there is' })).toBeVisible();
  await mobile.context().close();
});
