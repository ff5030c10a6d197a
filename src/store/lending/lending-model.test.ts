import fc from 'fast-check';
import { lendingDeeds, runLending } from './lending-model';
import { LONG } from '../../core/testing/test-runs';

test('an owner with two tabs and three borrowers come to hold the same, lose no word, and touch nothing outside of what is lent', async () => {
  await fc.assert(fc.asyncProperty(lendingDeeds(LONG ? 50 : 20), runLending), {
    numRuns: LONG ? 400 : 16,
    endOnFailure: true,
    ...(!LONG && { seed: 20261129 }),
  });
}, 1_300_000);
