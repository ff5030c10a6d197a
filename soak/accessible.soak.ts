import { expectAccessible } from '../e2e/axe';
import { expect, test } from '../e2e/desk';
import { SCREENS } from '../e2e/fits/screens';

for (const theme of ['light', 'dark'] as const)
  test(`axe-core finds nothing on any screen, ${theme}`, async ({ desk, page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await desk.open('demo');
    for (const [screen, address] of Object.entries(SCREENS)) {
      if (/long words|right to left/.test(screen)) continue;
      await page.goto(address);
      await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
      await page.locator('#page:not([aria-busy=true])').waitFor();
      await expect(desk.main).toBeVisible();
      await page.waitForTimeout(400);
      await expectAccessible(page, screen, { part: 'main', colours: theme === 'dark' });
    }
  });
