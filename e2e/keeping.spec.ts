import { expectAccessible } from './axe';
import { expect, test } from './desk';

test('an earlier text is found and brought back by its lines and whole; a note deleted last week is there again', async ({
  desk,
  page,
}) => {
  await desk.open('demo');
  const PATH = 'Collections/Instrument store.md';
  const before = await desk.stored(PATH);
  await desk.agenda('Today');
  await desk.row(desk.main, 'Move the sextants').getByRole('checkbox').click();
  await expect.poll(() => desk.stored(PATH)).toContain('[x] Move the sextants');
  await page.goto('/note/Collections/Instrument%20store.md');
  await desk.write('\nA drawer that sticks');
  await expect.poll(() => desk.stored(PATH)).toContain('A drawer that sticks');
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Earlier texts' }).click();
  const moments = desk.main.getByRole('list', { name: 'Moments' });
  await expect(moments.getByRole('button')).toHaveCount(2);
  await moments.getByRole('button', { name: /before “Done: Move the sextants/ }).click();
  const shown = desk.main.getByRole('region', { name: 'The earlier text' });
  await expect(shown.getByText('It differs from the present text in 2 places.')).toBeVisible();
  await expect(shown.locator('mark').filter({ hasText: 'done 2026-11-23' })).toBeVisible();
  await expectAccessible(page, 'earlier texts', { part: 'main' });
  // One place comes back, and the other stays as it is; Undo takes it back.
  await shown.getByRole('button', { name: 'Bring these lines back' }).first().click();
  await expect.poll(() => desk.stored(PATH)).not.toContain('[x] Move the sextants');
  expect(await desk.stored(PATH)).toContain('A drawer that sticks');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => desk.stored(PATH)).toContain('[x] Move the sextants');
  await moments.getByRole('button', { name: /before “Done: Move the sextants/ }).click();
  await shown.getByRole('button', { name: 'Bring it back whole' }).click();
  await expect.poll(() => desk.stored(PATH)).toBe(before);
  await expect(page.getByLabel('Title of the note')).toHaveValue('Instrument store');
  // Deleted, and missed a week later.
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect.poll(() => desk.stored(PATH)).toBeNull();
  await page.clock.setFixedTime(new Date('2026-12-01T09:20:00'));
  await page.goto('/keep');
  await desk.main.getByRole('link', { name: 'Instrument store' }).click();
  await expect(shown).toContainText('Move the sextants');
  await shown.getByRole('button', { name: 'Bring the note back' }).click();
  await expect.poll(() => desk.stored(PATH)).toBe(before);
  await page.goto(`/earlier/${PATH}`);
  await expect(moments.getByRole('button').nth(3)).toBeVisible();
});

test('a copy of everything is made, compared with what changed since, and brought back in part as one step', async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('/keep');
  await expect(desk.main.getByText('Nothing was saved outside this browser yet')).toBeVisible();
  await desk.main.getByRole('button', { name: 'Make one now' }).click();
  const compare = desk.main.getByRole('button', { name: /^Compare with the copy of today/ });
  await expect(compare).toBeVisible();
  await compare.click();
  const copy = desk.main.getByRole('region', { name: 'The copy' });
  await expect(copy).toContainText('All of them stand here just so.');
  const lines = await desk.stored('Reading list.md');
  await page.goto('/note/Reading%20list.md');
  await desk.write('\nA book on fog signals');
  await expect.poll(() => desk.stored('Reading list.md')).toContain('fog signals');
  await page.goto('/note/Phone%20list.md');
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect.poll(() => desk.stored('Phone list.md')).toBeNull();
  await page.goto('/keep');
  await compare.click();
  await expect(copy).toContainText('2 notes differ from what stands here now.');
  await copy.getByRole('button', { name: 'What differs in Reading list.md' }).click();
  await expect(copy.locator('mark').filter({ hasText: 'fog signals' })).toBeVisible();
  await expectAccessible(page, 'what is kept', { part: 'main' });
  await copy.getByRole('checkbox', { name: /Phone list/ }).uncheck();
  await copy.getByRole('button', { name: 'Bring 1 note back' }).click();
  await expect.poll(() => desk.stored('Reading list.md')).toBe(lines);
  expect(await desk.stored('Phone list.md')).toBeNull();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => desk.stored('Reading list.md')).toContain('fog signals');
  // What goes out as one file holds the earlier texts, and says that something left.
  const coming = page.waitForEvent('download');
  await desk.main.getByRole('button', { name: 'Export everything' }).click();
  expect((await coming).suggestedFilename()).toBe('recado-2026-11-23.zip');
  await expect(desk.main.getByText('Saved outside this browser last: today')).toBeVisible();
});
