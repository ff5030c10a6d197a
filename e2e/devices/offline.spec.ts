import type { Page } from '@playwright/test';
import { Desk, NOW, expect, test } from '../desk';
import { serveBuild } from './newer-build';

test.use({ serviceWorkers: 'allow' });

/** Waits until the browser keeps the whole program, as the settings say. */
async function kept(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
}

test('opened once, Recado opens without a network: pages never seen before, writing, sharing into a slip', async ({
  desk,
  page,
  context,
}) => {
  const served = await serveBuild();
  await page.clock.setFixedTime(NOW);
  await page.goto(served.address);
  await page.getByRole('button', { name: 'Look around in the demo' }).click();
  await kept(page);
  await context.setOffline(true);
  await served.end();
  // A page whose parts were never loaded, by an address that was never opened.
  await page.goto(`${served.address}/note/Exhibitions/Salt on the Glass.md`);
  await desk.write('\n- [ ] Written on the train');
  await expect.poll(() => desk.stored('Exhibitions/Salt on the Glass.md')).toContain('Written on the train');
  await page.goto(`${served.address}/settings`);
  await expect(page.getByText('it opens without a network')).toBeVisible();
  await page.goto(`${served.address}/find?q=written on the train`);
  await expect(desk.main.getByText('Written on the train').first()).toBeVisible();
  // As another program shares a page, and as a phone keeps the words when it puts the page away.
  await page.goto(`${served.address}/slip?title=Tide+gauges&link=${encodeURIComponent('https://museum.example/gauges')}`);
  const words = page.getByRole('textbox', { name: 'Words of the slip' });
  await expect(words).toHaveValue('Tide gauges https://museum.example/gauges');
  await words.press('Enter');
  await expect.poll(() => desk.stored('Journal/2026-11-23.md')).toContain('Tide gauges https://museum.example/gauges');
  const manifest = (await page.evaluate(async (): Promise<unknown> => (await fetch('/manifest.webmanifest')).json())) as {
    shortcuts: { url: string }[];
  };
  for (const { url } of manifest.shortcuts) {
    await page.goto(served.address + url);
    await expect(page.getByText(/lines indexed/)).toBeAttached();
  }
});

test(
  'a newer program takes over in all tabs at once, when nobody works, and a slip that was begun is there again',
  { tag: '@long' },
  async ({ page, context }) => {
    const served = await serveBuild();
    const other = await context.newPage();
    for (const one of [page, other]) {
      await one.clock.setFixedTime(NOW);
      await one.goto(served.address);
      if (one === page) await one.getByRole('button', { name: 'Begin with an empty desk' }).click();
      await expect(one.getByText(/lines indexed/)).toBeAttached();
      await kept(one);
    }
    const build = (one: Page) => one.evaluate(() => document.querySelector<HTMLScriptElement>('script[type=module]')?.src ?? '');
    const first = await build(page);
    await page.bringToFront();
    await new Desk(page).rack.getByRole('button', { name: /^Slip/ }).click();
    const words = page.getByRole('textbox', { name: 'Words of the slip' });
    await words.fill('Ring Lars about the');
    served.renew();
    await page.evaluate(async () => void (await (await navigator.serviceWorker.getRegistration())?.update()));
    await expect(page.getByText('A newer Recado is here.')).toBeAttached();
    // Whoever writes is not disturbed, however long it takes: the other tab rests, and waits all the same.
    for (const one of [page, other]) await one.clock.setFixedTime(NOW.getTime() + 60_000);
    await page.waitForTimeout(11_000);
    expect(await build(page)).toBe(first);
    expect(await build(other)).toBe(first);
    // The page that holds the slip is left with it: from then on nobody works.
    await words.press('Escape');
    await page.clock.setFixedTime(NOW.getTime() + 180_000);
    // While it is loaded anew a page answers nothing.
    for (const one of [page, other]) await expect.poll(() => build(one).catch(() => first)).not.toBe(first);
    const said = async () =>
      (await Promise.all([page, other].map((one) => one.getByText('Recado was brought up to date.').count()))).reduce((a, b) => a + b);
    await expect.poll(said).toBeGreaterThan(0);
    await new Desk(page).rack.getByRole('button', { name: /^Slip/ }).click();
    await expect(words).toHaveValue('Ring Lars about the');
    await served.end();
  },
);
