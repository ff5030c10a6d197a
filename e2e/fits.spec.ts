import { test } from './desk';
import { lookAtAll } from './fits/look-at-all';
import { HARD_SCREENS } from './fits/screens';

// The long form looks at every screen in every size: `npm run soak -- -g fits`.
for (const [name, width, height] of [
  ['a phone', 390, 844],
  ['a window that just has room for the rack', 900, 700],
] as const)
  test(`on ${name} the hardest screens fit with the largest text and the longest words`, async ({ desk, page }) => {
    await page.setViewportSize({ width, height });
    await lookAtAll(desk, HARD_SCREENS, 'Largest');
  });
