import { expect, test } from './desk';

test('back and forth by key, to where one was and wrote; pins have names, keys and an order; the rack stays as it was left', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  await desk.agenda('Today');
  await page.setViewportSize({ width: 1280, height: 420 });
  const row = desk.main.locator('[data-row]').last();
  await row.getByRole('checkbox').first().focus();
  const id = await row.getAttribute('data-row');
  const scrolled = await desk.main.evaluate((sheet) => sheet.scrollTop);
  expect(scrolled).toBeGreaterThan(0);
  await page.keyboard.press('Control+Enter');
  await expect(desk.text).toBeVisible();
  // Written in the middle of a line of a long note.
  await desk.rack.getByRole('link', { name: 'Cabinet of Gales' }).click();
  await desk.text.click();
  await page.keyboard.press('Control+Home');
  for (let line = 0; line < 5; line++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('End');
  await page.keyboard.type(' Seen');
  await expect(desk.text).toContainText('Seen');

  await page.keyboard.press('F4');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  await desk.main.locator('[data-row]').last().getByRole('checkbox').first().focus();
  await page.keyboard.press('Control+Enter');
  await expect(desk.text).toBeVisible();
  await page.keyboard.press('Control+F8');
  await expect(desk.main.locator(`[data-row="${id}"]`).getByRole('checkbox').first()).toBeFocused();
  await expect.poll(() => desk.main.evaluate((sheet) => sheet.scrollTop)).toBeGreaterThan(scrolled * 0.8);
  await page.keyboard.press('Control+F8');
  await expect(desk.text).toBeFocused();
  await page.keyboard.type(' here');
  await expect(desk.text).toContainText('Seen here');
  await page.keyboard.press('Control+Shift+F8');
  await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  await page.keyboard.press('Control+F9');
  await expect(desk.text).toBeFocused();
  await page.keyboard.type(' again');
  await expect(desk.text).toContainText('Seen here again');

  // Two pins: one gets a name and a key, and goes below the other.
  const pin = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Actions for this note' }).click();
    await page.getByRole('menuitem', { name: /^Pin/ }).click();
  };
  await pin();
  await page.goto('/note/Reading%20list.md');
  await pin();
  const pins = desk.rack.getByRole('region', { name: 'Pinned' });
  await expect(pins.getByRole('link')).toHaveText(['Cabinet of Gales', 'Reading list']);
  await pins.getByRole('button', { name: 'Actions for the pin Cabinet of Gales' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Name and key…' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Name and key of a pin' });
  await dialog.getByLabel('Name').fill('Gales');
  await dialog.getByRole('button', { name: 'Key of Gales: none' }).click();
  await page.keyboard.press('F10');
  await expect(dialog.getByText('Also the key of “Fill in a slip”.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Key of Gales: F10' }).click();
  await page.keyboard.press('Control+Shift+F11');
  await dialog.getByRole('button', { name: 'Store' }).click();
  await pins.getByRole('link', { name: 'Gales' }).press('Alt+ArrowDown');
  await expect(pins.getByRole('link')).toHaveText(['Reading list', 'Gales']);
  await page.keyboard.press('Control+Shift+F11');
  await expect(page).toHaveURL(/Cabinet%20of%20Gales/);

  await desk.rack.getByRole('button', { name: 'Tags' }).click();
  await desk.rack.getByRole('button', { name: 'Feet' }).click();
  await page.waitForTimeout(400);
  await page.reload();
  await expect(desk.rack.getByRole('button', { name: 'Tags' })).toHaveAttribute('aria-expanded', 'false');
  await expect(desk.rack.getByRole('link', { name: /Foot of a person/ })).toBeVisible();
  await expect(pins.getByRole('link')).toHaveText(['Reading list', 'Gales']);
});
