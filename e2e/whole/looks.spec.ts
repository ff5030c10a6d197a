import { expectAccessible } from '../axe';
import { expect, test } from '../desk';

test('looks of one’s own are taken at once and stay; what the system asks for is respected', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  const primary = (): Promise<string> =>
    page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--primary').trim());
  await desk.rack.getByRole('link', { name: 'Settings' }).click();
  await desk.main.getByRole('radio', { name: 'Violet' }).check();
  await expect.poll(primary).toBe('#74478f');
  await desk.main.getByRole('group', { name: 'Contrast' }).getByRole('radio', { name: 'High' }).check();
  await expect.poll(primary).toBe('#4f2b66');
  await desk.main.getByRole('radio', { name: 'All of one width' }).check();
  await desk.main.getByRole('radio', { name: 'Short' }).check();
  await page.goto('/note/Exhibitions/Salt on the Glass.md');
  await expect(desk.text).toBeVisible();
  await expect.poll(primary).toBe('#4f2b66');
  expect(await desk.text.evaluate((text) => getComputedStyle(text).fontFamily)).toMatch(/^"JetBrains Mono/);
  await expectAccessible(page, 'high contrast', { colours: true });
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(primary).toBe('#e3c9f3');
  await expectAccessible(page, 'high contrast in the dark', { colours: true });

  // The system's own colours: everything is drawn in them, marks and bars too.
  await page.emulateMedia({ forcedColors: 'active' });
  await expect.poll(primary).toBe('LinkText');
  const mark = page.locator('.cm-task-mark').first();
  await expect(mark).toBeVisible();
  await page.emulateMedia({ forcedColors: null, colorScheme: 'light', contrast: 'more' });

  // As the system: more contrast where it asks for that.
  await desk.rack.getByRole('link', { name: 'Settings' }).click();
  await desk.main.getByRole('group', { name: 'Contrast' }).getByRole('radio', { name: 'As the system' }).check();
  await expect.poll(primary).toBe('#4f2b66');
  await page.emulateMedia({ contrast: null });
  await expect.poll(primary).toBe('#74478f');
});
