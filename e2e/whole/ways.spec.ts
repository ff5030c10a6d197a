import { expect, test } from '../desk';

test(
  'back and forth by key, to where one was and wrote; pins have names, keys and an order; the rack stays as it was left',
  { tag: '@long' },
  async ({ desk, page }) => {
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
    await page.keyboard.press('Control+F12');
    await expect(desk.main.locator(`[data-row="${id}"]`).getByRole('checkbox').first()).toBeFocused();
    await expect.poll(() => desk.main.evaluate((sheet) => sheet.scrollTop)).toBeGreaterThan(scrolled * 0.8);
    await page.keyboard.press('Control+F12');
    await expect(desk.text).toBeFocused();
    await page.keyboard.type(' here');
    await expect(desk.text).toContainText('Seen here');
    await page.keyboard.press('Control+Shift+F12');
    await expect(desk.main.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
    await page.keyboard.press('Control+Shift+F8');
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
    // Escape leaves the key, and not the dialog.
    await dialog.getByRole('button', { name: 'Key of Gales: F10' }).click();
    await page.keyboard.press('Escape');
    await dialog.getByRole('button', { name: 'Key of Gales: F10' }).click();
    await page.keyboard.press('Control+Alt+F8');
    await dialog.getByRole('button', { name: 'Store' }).click();
    await pins.getByRole('link', { name: 'Gales' }).press('Alt+ArrowDown');
    await expect(pins.getByRole('link')).toHaveText(['Reading list', 'Gales']);
    await page.keyboard.press('Control+Alt+F8');
    await expect(page).toHaveURL(/Cabinet%20of%20Gales/);

    await desk.rack.getByRole('button', { name: 'Tags' }).click();
    await desk.rack.getByRole('button', { name: 'More pages' }).click();
    await desk.rack.getByRole('button', { name: 'Feet' }).click();
    await page.waitForTimeout(400);
    await page.reload();
    await expect(desk.rack.getByRole('button', { name: 'Tags' })).toHaveAttribute('aria-expanded', 'false');
    await expect(desk.rack.getByRole('link', { name: /Foot of a person/ })).toBeVisible();
    await expect(pins.getByRole('link')).toHaveText(['Reading list', 'Gales']);
  },
);

test(
  'a status of one’s own is made, gone to, counted and removed; a project is settled with the task that stands for it',
  { tag: '@long' },
  async ({ desk, page }) => {
    await desk.open('demo');
    await page.goto('/settings#statuses');
    const statuses = desk.main.getByRole('region', { name: 'Statuses' });
    await statuses.getByRole('button', { name: 'Add a status' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name').fill('On the lorry');
    await dialog.getByLabel('Sign in the box').fill('x');
    await expect(dialog.getByText('The sign is one character')).toBeVisible();
    await dialog.getByLabel('Sign in the box').fill('>');
    await dialog.getByLabel('Counts as', { exact: false }).first().selectOption('underway');
    await page.keyboard.press('Enter');
    await expect.poll(() => desk.stored('Statuses/On the lorry.md')).toContain('sign: ">"\nname: "On the lorry"\nmeans: underway\n');
    // Into the round, before Under way.
    await statuses.getByRole('button', { name: 'Put On the lorry into the round' }).click();
    for (let up = 0; up < 2; up++) await statuses.getByRole('button', { name: 'On the lorry earlier' }).click();
    await desk.agenda('Today');
    const row = desk.row(desk.main, 'Return the borrowed barrow');
    await row.getByRole('checkbox').first().focus();
    await page.keyboard.press('Control+Shift+Enter');
    await expect(row.getByRole('checkbox', { name: /^On the lorry/ })).toBeVisible();
    await row.getByRole('button', { name: /^Actions for/ }).click();
    await page.getByRole('menuitem', { name: 'Status' }).press('ArrowRight');
    await expect(page.getByRole('menuitemradio', { name: 'On the lorry' })).toBeChecked();
    await page.getByRole('menuitem', { name: 'All tasks of this status' }).press('Enter');
    await expect(page).toHaveURL(/\/status\/On%20the%20lorry/);
    await expect(desk.main.getByRole('heading', { level: 1, name: 'On the lorry' })).toBeVisible();
    await expect(desk.row(desk.main, 'Return the borrowed barrow')).toBeVisible();
    // Written there it bears the status.
    await desk.main.getByText('Write a task here').click();
    await page.keyboard.type('Bring the ramps back');
    await page.keyboard.press('Enter');
    await expect(desk.row(desk.main, 'Bring the ramps back').getByRole('checkbox', { name: /^On the lorry/ })).toBeVisible();
    // What bears it becomes something else when it is removed, in one step.
    await page.goto('/settings#statuses');
    await statuses.getByRole('button', { name: 'Remove On the lorry' }).click();
    await expect(dialog.getByText('2 tasks bear it:')).toBeVisible();
    await dialog.getByLabel('They become').selectOption(':');
    await dialog.getByRole('button', { name: 'Remove it' }).click();
    await expect.poll(() => desk.stored('Statuses/On the lorry.md')).toBeNull();
    const waiting = async (): Promise<string> => (await desk.stored('Private/Allotment.md')) ?? '';
    await expect.poll(waiting).toMatch(/- \[:\] Return the borrowed barrow.*since 2026-11-23/);
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect.poll(waiting).toContain('- [>] Return the borrowed barrow');
    await expect.poll(() => desk.stored('Statuses/On the lorry.md')).toContain('On the lorry');

    // A task that is one link to a project shows how far it is, and finishing it offers to settle the project.
    await page.goto('/note/Reading%20list.md');
    await desk.write('\n- [ ] [[Guide training]]\n');
    await desk.agenda('Undated');
    const stands = desk.row(desk.main, 'Guide training');
    await expect(stands.getByText('0 of 3')).toBeVisible();
    await stands.getByRole('checkbox').first().press('Space');
    await page.getByRole('button', { name: 'Settle it' }).click();
    await expect.poll(() => desk.stored('Projects/Guide training.md')).toContain('state: done\n');
    await page.keyboard.press('Control+z');
    await expect.poll(() => desk.stored('Projects/Guide training.md')).not.toContain('state: done');
    await page.keyboard.press('Control+z');
    await expect.poll(() => desk.stored('Reading list.md')).toContain('- [ ] [[Guide training]]');
    // From the head of the project the task is ticked with it; a click on a name in the text leads to its page.
    await page.goto('/note/Projects/Guide%20training.md');
    await expect(desk.main.getByText('0 of 3 done')).toBeVisible();
    await desk.main.getByRole('button', { name: 'State: Active' }).click();
    await page.getByRole('menuitemradio', { name: 'Done' }).click();
    await expect.poll(() => desk.stored('Reading list.md')).toContain('- [x] [[Guide training]] {done 2026-11-23');
    await desk.text.getByText('@priya').click();
    await expect(page).toHaveURL(/Priya/);
  },
);
