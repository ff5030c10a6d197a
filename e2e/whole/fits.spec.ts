import { test } from '../desk';
import { lookAtAll } from '../fits/look-at-all';
import { HARD_SCREENS } from '../fits/screens';

// The long form looks at every screen in every size: `npm run soak -- -g fits`.
test('on a phone the hardest screens fit with the largest text and the longest words', async ({ desk, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await lookAtAll(desk, HARD_SCREENS, 'Largest');
});
