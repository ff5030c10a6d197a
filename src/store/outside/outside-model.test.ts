import fc from 'fast-check';
import { outsideDeeds, runOutside } from './outside-model';
import { LONG } from '../../core/testing/test-runs';

test('notes, lists and a service that fails come to be in step, with nothing doubled and nothing lost', async () => {
  await fc.assert(fc.asyncProperty(outsideDeeds(LONG ? 60 : 24), runOutside), {
    numRuns: LONG ? 150 : 16,
    ...(!LONG && { seed: 20261123 }),
  });
}, 1_300_000);
