import { doAll, expectLight } from '../acts/do-all';
import { test } from '../desk';

test('the forty commonest acts by keyboard: each as light as docs/weight.md says, none with more than three keys', async ({ desk }) => {
  test.setTimeout(120_000);
  expectLight(await doAll(desk, 'keys'), 'keys');
});

test.describe('on a phone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });
  // With the long ones: `npm run soak`.
  test('the same acts by touch', { tag: '@long' }, async ({ desk }) => {
    test.setTimeout(120_000);
    expectLight(await doAll(desk, 'touches'), 'touches');
  });
});
