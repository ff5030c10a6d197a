import fc from 'fast-check';
import { runThreeDevices, threeDeeds } from './three-devices';
import { LONG } from '../../core/testing/test-runs';

test('three devices and a server come to hold the same, whatever happens, and lose no word', async () => {
  await fc.assert(fc.asyncProperty(threeDeeds(LONG ? 60 : 24), runThreeDevices), { numRuns: LONG ? 120 : 16, endOnFailure: true });
}, 1_300_000);
