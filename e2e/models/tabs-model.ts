import { type BrowserContext, type Page, expect } from '@playwright/test';
import { NOW } from '../desk';
import { shownText } from './shown-text';
import { everythingStored, randomFrom } from './stored';

const FIRST = ['- [ ] Weigh the crate', '- [ ] Test the lamp', 'Some words', '', '- [ ] Ring the lender', 'Last words'].join('\n');

interface ModelRun {
  tabs: number;
  seconds: number;
  /** So many words are typed, however long that takes. */
  least: number;
  seed: number;
  /** How often something else than typing is done, from 0 to 1. */
  otherwise: number;
}

/**
 * Several tabs write in one note at once, through the real interface: words at the ends of lines, ticks from the panel beside, renames,
 * deletions with their Undo, reloads. In the end every word that an editor showed must stand in a note or in its other text, and all
 * editors must show the same.
 */
export async function runTabsModel(
  context: BrowserContext,
  { tabs, seconds, least, seed, otherwise }: ModelRun,
): Promise<{ words: number }> {
  const first = await context.newPage();
  await first.clock.setFixedTime(NOW);
  await first.goto('/');
  await first.getByRole('button', { name: 'Begin with an empty desk' }).click();
  await expect(first.getByText(/lines indexed/)).toBeAttached();
  await first.getByRole('navigation', { name: 'Rack' }).getByRole('button', { name: 'New note' }).click();
  await first.getByLabel('Title', { exact: true }).fill('Minutes');
  await first.keyboard.press('Enter');
  await field(first).click();
  await first.keyboard.insertText(FIRST);
  await expect.poll(async () => (await everythingStored(first)).notes['Minutes.md']).toBe(FIRST);
  const pages = [first];
  while (pages.length < tabs) {
    const page = await context.newPage();
    await page.clock.setFixedTime(NOW);
    await page.goto('/note/Minutes.md');
    await field(page).waitFor();
    pages.push(page);
  }
  const end = Date.now() + seconds * 1000;
  const typed: string[] = [];
  const write = async (page: Page, tab: number): Promise<void> => {
    const random = randomFrom(seed * 31 + tab);
    for (let count = 0; Date.now() < end || typed.length < least; count++) {
      if (random() < otherwise) await doSomethingElse(page, random);
      else {
        const word = `t${tab}n${count}.`;
        if (await typeWord(page, word, random)) typed.push(word);
      }
      await page.waitForTimeout(20 + random() * 150);
    }
  };
  await Promise.all(pages.map(write));
  // The hands rest; what was set aside under them is shown.
  await first.waitForTimeout(3500);
  for (const page of pages) await expect(page.getByTestId('save-state')).toHaveText('Saved');
  const { notes, takenAway } = await everythingStored(first);
  const all = [...Object.values(notes), ...takenAway].join('\n');
  expect(typed.filter((word) => !all.includes(word))).toEqual([]);
  const different = async (): Promise<string[]> => [...new Set((await Promise.all(pages.map(shownText))).filter((text) => text !== null))];
  await expect.poll(async () => (await different()).length, { message: (await different()).join('\n-----\n') }).toBeLessThanOrEqual(1);
  return { words: typed.length };
}

const field = (page: Page) => page.getByRole('textbox', { name: 'Text of the note' });

/** Types a word at the end of some line; whether the editor showed it then. */
async function typeWord(page: Page, word: string, random: () => number): Promise<boolean> {
  if ((await field(page).count()) === 0) return false;
  await page.evaluate(() => document.querySelector<HTMLElement>('.cm-content')?.focus());
  await page.keyboard.press('Control+End');
  const up = Math.floor(random() * 5);
  for (let line = 0; line < up; line++) await page.keyboard.press('ArrowUp');
  await page.keyboard.press('End');
  if (random() < 0.25) await page.keyboard.press('Enter');
  await page.keyboard.type(` ${word}`, { delay: 8 });
  return (await shownText(page))?.includes(word) ?? false;
}

async function doSomethingElse(page: Page, random: () => number): Promise<void> {
  const what = random();
  if (what < 0.35) {
    const boxes = page.getByRole('complementary', { name: 'Beside' }).getByRole('checkbox');
    const count = await boxes.count();
    if (count > 0)
      await boxes
        .nth(Math.floor(random() * count))
        .click({ timeout: 1500 })
        .catch(() => undefined);
  } else if (what < 0.6) {
    const title = page.getByLabel('Title of the note');
    if ((await title.count()) === 0) return;
    await title.fill(`Minutes ${Math.floor(random() * 5)}`, { timeout: 1500 }).catch(() => undefined);
    await page.keyboard.press('Enter');
  } else if (what < 0.75) {
    const undo = page.getByRole('listitem').filter({ hasText: 'Deleted: ' }).getByRole('button', { name: 'Undo' }).first();
    await page
      .getByRole('button', { name: 'Actions for this note' })
      .click({ timeout: 1500 })
      .then(() => page.getByRole('menuitem', { name: 'Delete' }).click({ timeout: 1500 }))
      .then(() => undo.click({ timeout: 3000 }))
      .catch(() => undefined);
  } else {
    await page.reload();
    await field(page)
      .waitFor({ timeout: 4000 })
      .catch(() => undefined);
  }
  await findTheNote(page);
}

/** A tab whose note was deleted, or renamed while it reloaded, goes to where it is now. */
async function findTheNote(page: Page): Promise<void> {
  if ((await field(page).count()) > 0) return;
  const { notes } = await everythingStored(page);
  const path = Object.keys(notes).find((one) => one.startsWith('Minutes') && !one.includes('(other text)'));
  if (path === undefined) return;
  await page.goto(`/note/${encodeURIComponent(path)}`);
  await field(page)
    .waitFor({ timeout: 4000 })
    .catch(() => undefined);
}
