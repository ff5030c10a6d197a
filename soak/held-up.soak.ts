import { makeLibrary } from '../bench/library';
import { ACTS, NOTES } from '../e2e/acts/acts';
import { begin } from '../e2e/acts/do-all';
import { Hand } from '../e2e/acts/hand';
import { test } from '../e2e/desk';
import { store } from '../e2e/store-notes';

/** Watches for tasks of the main thread that hold it up for more than 50 milliseconds. */
const WATCH =
  'window.longTasks = []; new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.longTasks.push(entry.duration); }).observe({ type: "longtask" });';

/** How long each act holds the page up at most with 10,000 notes stored: told, not judged, for a figure of this machine says little. */
test('the longest hold-up of each of the forty acts', async ({ desk, page }) => {
  await desk.open('empty');
  const large = makeLibrary(10_000);
  for (let at = 0; at < large.length; at += 1000)
    await store(page, Object.fromEntries(large.slice(at, at + 1000).map(({ path, text }) => [path, text])));
  await store(page, NOTES);
  await page.addInitScript(WATCH);
  const taken = (): Promise<number[]> => page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks.splice(0));
  for (const act of ACTS) {
    const told: string[] = [];
    try {
      await begin(desk, act.name, act.from);
      await page.getByText(/lines indexed/).waitFor({ state: 'attached', timeout: 120_000 });
      await page.waitForTimeout(2500);
      await taken();
      await act.keys(new Hand(page, 'keys'), desk);
      await act.shows(desk);
      await page.waitForTimeout(700);
    } catch (error) {
      told.push(String(error).split('\n')[0] ?? '');
    }
    const longest = Math.max(0, ...(await taken()));
    console.log(`${longest === 0 ? 'under 50' : Math.round(longest)} ms  ${act.name}${told.length > 0 ? `: ${told.join()}` : ''}`);
  }
});
