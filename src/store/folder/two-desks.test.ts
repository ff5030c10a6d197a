import fc from 'fast-check';
import { deeds, runTwoDesks } from './two-desks';

test('two desks and a folder that is edited by hand end the same, and no word is lost', async () => {
  await fc.assert(fc.asyncProperty(deeds(24), runTwoDesks), { numRuns: 35 });
}, 60_000);
