import { WATCH, longTasks } from '../bench/in-browser/desk';
import { makeLibrary } from '../bench/library';
import { ACTS, NOTES } from '../e2e/acts/acts';
import { begin } from '../e2e/acts/do-all';
import { Hand } from '../e2e/acts/hand';
import { test } from '../e2e/desk';
import { store } from '../e2e/store-notes';

/**
 * How long each act holds the page up at most with 10,000 notes stored: told, not judged, for a figure of this machine says little. `ACT` in the
 * environment names some of them.
 */
test('the longest hold-up of each of the forty acts', async ({ desk, page }) => {
  await desk.open('empty');
  const large = makeLibrary(10_000);
  for (let at = 0; at < large.length; at += 1000)
    await store(page, Object.fromEntries(large.slice(at, at + 1000).map(({ path, text }) => [path, text])));
  // With so many notes the rows of the acts lie far down in Today.
  await store(page, { ...NOTES, 'Agenda/Crates.md': '---\nkind: agenda\n---\n\n```gather\nopen and note = "Rows"\n```\n' });
  await page.addInitScript(WATCH);
  await page.reload();
  await page.getByText(/lines indexed/).waitFor({ state: 'attached', timeout: 120_000 });
  const wanted = new RegExp(process.env['ACT'] ?? '');
  for (const act of ACTS.filter(({ name }) => wanted.test(name))) {
    const told: string[] = [];
    try {
      await begin(desk, act.name, act.from, '/note/Agenda/Crates.md');
      await page.waitForTimeout(1500);
      await longTasks(page);
      await act.keys(new Hand(page, 'keys'), desk);
      await act.shows(desk);
      await page.waitForTimeout(700);
    } catch (error) {
      told.push(String(error).split('\n')[0] ?? '');
    }
    const longest = Math.max(0, ...(await longTasks(page)));
    console.log(`${longest === 0 ? 'under 50' : Math.round(longest)} ms  ${act.name}${told.length > 0 ? `: ${told.join()}` : ''}`);
  }
});
