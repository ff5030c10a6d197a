import { doAll, expectLight } from '../e2e/acts/do-all';
import { test } from '../e2e/desk';

test('the forty commonest acts by mouse: each as light as docs/weight.md says', async ({ desk }) => {
  expectLight(await doAll(desk, 'clicks'), 'clicks');
});
