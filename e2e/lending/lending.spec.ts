import type { Browser, Page } from '@playwright/test';
import { expectAccessible } from '../axe';
import { type Desk, NOW, expect, test } from '../desk';

const NOTE = `# Lighthouse loan
- [ ] Ask for the papers {due 2026-12-04; ref p4p3rs}
- [ ] Crate of the lens #crates {needs p4p3rs}
  - [ ] Weigh it
  - [ ] Photograph it
- [ ] Nobody may read this one

# Sums
Neither this line. <img src="x" onerror="document.title='bad'"> [go](javascript:document.title='bad')
<script>document.title = 'bad'</script>
`;
const PATH = 'Lighthouse loan.md';
const SECRET = /Nobody may read|Neither this line|p4p3rs|Ask for the papers|Lighthouse loan/;

/** A borrower in a browser of their own, with all that came over the wire. */
async function borrower(browser: Browser, address: string, viewport = { width: 1280, height: 800 }) {
  const context = await browser.newContext({ viewport, timezoneId: 'Europe/Lisbon', serviceWorkers: 'block' });
  const page = await context.newPage();
  const wire: string[] = [];
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  page.on('websocket', (socket) => {
    socket.on('framereceived', ({ payload }) => wire.push(payload.toString()));
  });
  await page.clock.setFixedTime(NOW);
  await page.goto(address);
  return { page, context, wire, wrong, text: page.getByRole('textbox', { name: 'What is lent to you' }) };
}

/** Lends what is asked for, and gives the address. */
async function lend(page: Page, how: string, more: { who?: string; word?: string } = {}): Promise<string> {
  const dialog = page.getByRole('dialog', { name: 'Lend' });
  await dialog.getByRole('radio', { name: how }).check();
  await expectAccessible(page, 'the dialog of lending', { part: '[role=dialog]' });
  if (more.who !== undefined) await dialog.getByLabel('To whom, for your own list').fill(more.who);
  if (more.word !== undefined) await dialog.getByLabel('A word that is asked for').fill(more.word);
  await dialog.getByRole('button', { name: 'Lend', exact: true }).click();
  const address = await dialog.getByLabel('Its address').inputValue();
  await page.keyboard.press('Escape');
  return address;
}

async function withNote(desk: Desk): Promise<void> {
  await desk.open('empty');
  await desk.bringIn([{ name: PATH, mimeType: 'text/markdown', buffer: Buffer.from(NOTE) }]);
  await desk.page.keyboard.press('Escape');
  await desk.page.goto(`/note/${encodeURIComponent(PATH)}?line=3`);
  await expect(desk.text).toBeVisible();
}

test('a task is lent to write: both sides see each other within a moment, nothing else goes over the wire, and called back it is dead', async ({
  desk,
  page,
  browser,
}) => {
  await withNote(desk);
  await desk.text.getByText('Crate of the lens').click();
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Lend what is at the cursor…' }).click();
  const address = await lend(page, 'To write: tick, write, move, add', { who: 'Lars' });
  expect(address).toMatch(/\/lent\/#[\w-]{22}$/);

  const lars = await borrower(browser, address);
  await expect(lars.text).toContainText('Crate of the lens');
  await expect(lars.page.getByText('0 of 3 done')).toBeVisible();
  await lars.page.getByRole('button', { name: 'Say who you are' }).click();
  await lars.page.getByLabel('What others call you').fill('Lars');
  await lars.page.keyboard.press('Enter');

  await expectAccessible(lars.page, 'what is lent to write');
  // A tick and a line of his stand here.
  await lars.text.locator('.cm-task-mark').nth(1).click();
  await expect(lars.page.getByText('1 of 3 done')).toBeVisible();
  await lars.text.getByText('Photograph it').click();
  await lars.page.keyboard.press('End');
  await lars.page.keyboard.type('\nWrap it');
  await expect(desk.text).toContainText('Wrap it');
  await expect(lars.page.getByText('Saved')).toBeVisible();
  await expect
    .poll(() => desk.stored(PATH))
    .toBe(
      NOTE.replace(/#crates \{needs p4p3rs\}/, (found) => found.replace('}', '; ref REF}'))
        .replace('  - [ ] Weigh it', '  - [x] Weigh it {done 2026-11-23 09:20}')
        .replace('Photograph it', 'Photograph it\n  - [ ] Wrap it')
        .replace('REF', /ref ([a-z0-9]{6})\}\n {2}- \[x\]/.exec((await desk.stored(PATH)) ?? '')?.[1] ?? ''),
    );

  // A word from here stands there.
  await desk.text.getByText('Weigh it').click();
  await page.keyboard.press('End');
  await desk.text.getByText('Photograph it').click();
  await page.keyboard.press('End');
  await page.keyboard.type(' twice');
  await expect(lars.text).toContainText('Photograph it twice');
  // Undo takes back what Lars wrote, and nothing else.
  await lars.text.getByText('Wrap it').click();
  await lars.page.keyboard.press('Control+z');
  await expect(lars.text).not.toContainText('Wrap it');
  await expect(lars.text).toContainText('Photograph it twice');

  // It bears a sign in the note, and stands among what is lent.
  await desk.text.getByText('Sums').click();
  await expect(desk.text.locator('.chip', { hasText: 'lent' })).toBeVisible();
  await page.goto('/lent-out');
  const card = desk.main.getByRole('article', { name: 'Crate of the lens' });
  await expect(card).toContainText('to Lars, to write');
  await expectAccessible(page, 'what is lent out', { part: 'main' });
  await expect(card).toContainText('one is there now', { timeout: 15_000 });
  await card.getByRole('button', { name: 'Call back' }).click();
  await expect(lars.page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await expect(desk.main.getByText('Nothing is lent.')).toBeVisible();
  await lars.page.reload();
  await expect(lars.page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  expect(lars.wire.join('\n')).toContain('Photograph it');
  expect(lars.wire.join('\n')).not.toMatch(SECRET);
  expect(lars.wrong).toEqual([]);
  expect(await desk.stored(PATH)).toContain('Photograph it twice');
  await lars.context.close();
});

test('a note is lent to read by a word, a list to be ticked: what is away is merged as one step at the next opening', async ({
  desk,
  page,
  browser,
}) => {
  await withNote(desk);
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Lend…' }).click();
  const toRead = await lend(page, 'To read', { word: 'Fresnel' });
  const noor = await borrower(browser, toRead, { width: 390, height: 844 });
  await expect(noor.page.getByRole('heading', { name: 'A word is asked for' })).toBeVisible();
  await expectAccessible(noor.page, 'a word is asked for');
  await noor.page.getByLabel('The word').fill('prism');
  await noor.page.keyboard.press('Enter');
  await expect(noor.page.getByText('That is another word.')).toBeVisible();
  await noor.page.getByLabel('The word').fill('Fresnel');
  await noor.page.keyboard.press('Enter');
  await expect(noor.text).toContainText('Neither this line.');
  // Scripts are words.
  await noor.text.getByText('go', { exact: false }).first().click();
  await expect(noor.page).toHaveTitle('Lent to you · Recado');
  await noor.text.locator('.cm-task-mark').first().click();
  await noor.text.getByText('Weigh it').click();
  await noor.page.keyboard.type('Mine');
  await expect(noor.page.getByText('0 of 5 done')).toBeVisible();
  await expect(noor.text).not.toContainText('Mine');
  // Narrowed to a tag, the rest is out of sight.
  await noor.page.getByRole('button', { name: '#crates' }).click();
  await expect(noor.text.getByText('Neither this line.')).toBeHidden();
  await noor.page.getByRole('button', { name: '#crates' }).click();

  await desk.agenda('Undated');
  await desk.main.getByRole('button', { name: 'How this list is shown' }).first().click();
  await page.getByRole('menuitem', { name: 'Lend…' }).click();
  const toTick = await lend(page, 'To tick: each tick lands on its own line', { who: 'Noor' });
  const kofi = await borrower(browser, toTick);
  await expect(kofi.text).toContainText('Photograph it');
  await page.goto('about:blank');
  await kofi.text.locator('.cm-task-mark').nth(2).click();
  await expect(kofi.text.locator('.closed-text')).toHaveCount(1);
  await page.goto(`/note/${encodeURIComponent(PATH)}`);
  await expect.poll(() => desk.stored(PATH)).toMatch(/\[x\] (?:Weigh|Photograph) it \{done 2026-11-23 09:20\}/);
  for (const one of [noor, kofi]) {
    expect(one.wrong).toEqual([]);
    await one.context.close();
  }
});
