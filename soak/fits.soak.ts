import { test } from '../e2e/desk';
import { lookAtAll } from '../e2e/fits/look-at-all';
import { SCREENS } from '../e2e/fits/screens';

for (const [width, height] of [
  [1280, 800],
  [1440, 900],
  [900, 700],
  [390, 844],
] as const)
  for (const textSize of ['Middle', 'Largest'] as const)
    test(`every screen fits: ${width} × ${height}, ${textSize} text`, async ({ desk, page }) => {
      await page.setViewportSize({ width, height });
      await lookAtAll(desk, Object.keys(SCREENS), textSize);
    });
