import type { Page } from '@playwright/test';

/** It is another moment: the page is opened anew then, and has read its notes. */
export async function at(page: Page, moment: string): Promise<void> {
  await page.clock.setFixedTime(new Date(moment));
  await page.reload();
  await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
}
