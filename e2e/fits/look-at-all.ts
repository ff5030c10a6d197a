import { expect } from '@playwright/test';
import type { Desk } from '../desk';
import { store } from '../store-notes';
import { misfits } from './misfits';
import { HARD_NOTES, SCREENS } from './screens';

/** Opens screens with notes that are hard to draw, in a size of the window and of the text, and fails where something does not fit. */
export async function lookAtAll(desk: Desk, screens: readonly string[], textSize: 'Middle' | 'Largest'): Promise<void> {
  const { page } = desk;
  await desk.open('demo');
  await store(page, HARD_NOTES);
  if (textSize !== 'Middle') {
    await page.goto('/settings');
    await page.getByRole('radio', { name: textSize }).or(page.getByLabel('Text size')).first().waitFor();
    const radio = page.getByRole('radio', { name: textSize });
    if (await radio.isVisible()) await radio.click();
    else await page.getByLabel('Text size').selectOption({ label: textSize });
    await expect.poll(() => desk.storedSettings()).toMatchObject({ textSize: 130 });
  }
  const wrong: Record<string, string[]> = {};
  for (const screen of screens) {
    await page.goto(SCREENS[screen] ?? '/');
    await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
    await page.locator('#page:not([aria-busy=true])').waitFor();
    // What is asked for once the lists stand.
    await page.waitForTimeout(400);
    const found = await misfits(page);
    if (found.length > 0) wrong[screen] = found;
  }
  expect(wrong).toEqual({});
}
