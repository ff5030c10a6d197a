import { expectAccessible } from '../axe';
import { type Page, test as base } from '@playwright/test';
import { Desk, NOW, expect, test } from '../desk';

const JOURNAL = 'Journal/2026-11-23.md';

test(
  'where the browser keeps nothing beside the notes, the program starts, works, and says so',
  { tag: '@long' },
  async ({ desk, page }) => {
    await page.addInitScript(() => {
      for (const name of ['localStorage', 'sessionStorage'])
        Object.defineProperty(window, name, {
          get: () => {
            throw new DOMException('refused', 'SecurityError');
          },
        });
    });
    await desk.open('empty');
    await expect(page.getByText('This browser lets Recado keep little beside the notes')).toBeVisible();
    await desk.write('- [ ] Weigh the crate');
    await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate');
    await page.keyboard.press('F8');
    await page.reload();
    await expect(page.locator('.cm-line', { hasText: 'Weigh the crate' })).toBeVisible();
  },
);

test('a storage that is full at the start, or holds nonsense, stops nothing', { tag: '@long' }, async ({ desk, page }) => {
  await page.addInitScript(() => {
    localStorage.setItem('recado frame', '{"beside":7,"pins":[3],"rackOpen":true,"recent":"x"');
    localStorage.setItem('recado draft lost journal', 'no draft');
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await desk.open('empty');
  await desk.write('words');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('words');
});

test('a note that cannot be stored is named in the strip, keeps its words wherever one goes, and is stored later', async ({
  desk,
  page,
}) => {
  await desk.open('empty');
  await desk.write('- [ ] Weigh the crate');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate');
  // As Chromium has it when the disk is full: the transaction aborts, and says why only inside.
  await page.evaluate(() => {
    // eslint-disable-next-line @typescript-eslint/unbound-method -- it is called on its own object below
    const { put } = IDBObjectStore.prototype;
    Object.assign(window, { diskFull: true });
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...given: Parameters<IDBObjectStore['put']>) {
      if ((window as unknown as { diskFull: boolean }).diskFull) throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, given);
    };
  });
  await desk.write(' and the lamp');
  const state = page.getByTestId('save-state');
  await expect(state).toHaveText('“2026-11-23” is not saved');
  await desk.agenda('Today');
  await expect(state).toHaveText('“2026-11-23” is not saved');
  await state.click();
  const dialog = page.getByRole('dialog', { name: 'Not saved' });
  await expect(dialog.getByText('The disk is full, or the browser gives Recado no more room.')).toBeVisible();
  await expect(dialog.getByRole('region', { name: 'What can be let go' })).toContainText('Earlier texts, deleted notes');
  const download = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Save it as a file' }).click();
  expect((await download).suggestedFilename()).toBe('2026-11-23.md');
  await page.keyboard.press('Escape');
  // The words are in the text again where it is opened again.
  await page.keyboard.press('Alt+j');
  await desk.day('2026-11-23');
  await expect(desk.text).toContainText('and the lamp');
  await state.click();
  await expect(dialog.getByRole('button', { name: 'Try again now' })).toBeVisible();
  await page.evaluate(() => Object.assign(window, { diskFull: false }));
  // It is tried again by itself too, and may have been quicker.
  const done = dialog.getByText('Everything is saved now.');
  await dialog.getByRole('button', { name: 'Try again now' }).or(done).click();
  await expect(done).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(state).toHaveText('Saved');
  expect(await desk.stored(JOURNAL)).toBe('- [ ] Weigh the crate and the lamp');
});

test('a store that a newer version kept is shown and can be exported, and nothing changes it', { tag: '@long' }, async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto('about:blank');
  const later = await page.context().newPage();
  await later.goto('/healthz');
  await later.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('recado', 9_990);
        request.onupgradeneeded = () => void request.result.createObjectStore('later');
        request.onsuccess = () => resolve(request.result.close());
        request.onerror = () => reject(request.error ?? new Error('not opened'));
      }),
  );
  await page.goto('/');
  await expect(page.getByText('Your notes were last kept by a newer Recado than this page is.')).toBeVisible();
  const before = await desk.stored(JOURNAL);
  await desk.text.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('salt');
  await expect(desk.text).not.toContainText('salt');
  await desk.agenda('Today');
  await page.getByRole('checkbox').first().click();
  await expect(page.getByText('nothing is written into it').first()).toBeVisible();
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.reload();
  await expect(page.getByRole('checkbox').first()).not.toBeChecked();
  expect(await desk.stored(JOURNAL)).toBe(before);
});

test('between the key and the disk nothing is called saved', async ({ desk, page }) => {
  await desk.open('empty');
  await desk.text.click();
  await page.evaluate(() => {
    const seen: string[] = [];
    Object.assign(window, { seen });
    new MutationObserver(() => seen.push(document.querySelector('[data-testid=save-state]')?.textContent ?? '')).observe(
      document.querySelector('footer') as Element,
      { subtree: true, characterData: true, childList: true },
    );
  });
  await page.keyboard.press('x');
  expect(await page.getByTestId('save-state').textContent()).toBe('Saving…');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  expect(await desk.stored(JOURNAL)).toBe('x');
});

/** Without the watch over errors: what fails here is meant to. */
base('a store that does not answer, and one that is deleted in another tab, are said plainly', { tag: '@long' }, async ({ context }) => {
  const silent = await context.newPage();
  await silent.addInitScript(() => {
    IDBFactory.prototype.open = () => new EventTarget() as unknown as IDBOpenDBRequest;
  });
  await silent.goto('/');
  await expect(silent.getByRole('alert')).toContainText('store does not answer');
  await silent.close();
  const page: Page = await context.newPage();
  const desk = new Desk(page);
  await desk.open('empty');
  await desk.write('words');
  await expect.poll(() => desk.stored(JOURNAL)).toBe('words');
  const other = await context.newPage();
  await other.clock.setFixedTime(NOW);
  await other.goto('/healthz');
  await other.evaluate(
    () =>
      new Promise((resolve) => {
        indexedDB.deleteDatabase('recado').onsuccess = resolve;
      }),
  );
  await expect(page.getByText('store was deleted or renewed in another tab')).toBeVisible();
  await desk.text.click();
  await page.keyboard.type(' more');
  await expect(page.getByTestId('save-state')).toHaveText('“2026-11-23” is not saved');
  await expect(desk.text).toContainText('more');
});

base('a store that the browser lost is told from a first opening, and the desk comes back from the copy beside it', async ({ page }) => {
  const desk = new Desk(page);
  await desk.open('empty');
  await desk.write('- [ ] Weigh the crate');
  await expect.poll(() => desk.stored(JOURNAL)).toContain('Weigh');
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'Sunday' }).click();
  await page.goto('/keep');
  await page.getByRole('button', { name: 'Make one now' }).click();
  await expect(page.getByText('A copy of everything was made.')).toBeVisible();
  await page.goto('/healthz');
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        indexedDB.deleteDatabase('recado').onsuccess = resolve;
      }),
  );
  await page.goto('/day/2026-11-23');
  await expect(page.getByRole('alert')).toContainText('The notes that were in this browser are gone');
  await expect(page.getByRole('button', { name: 'Join a folder again…' })).toBeVisible();
  await expectAccessible(page, 'lost desk', { colours: true });
  // What is most at hand has the focus.
  await expect(page.getByRole('button', { name: /^Bring back the copy of / })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Read it' }).click();
  await page.getByRole('button', { name: /^(?:Bring it in|Go on)$/ }).click();
  await expect(page.getByTestId('import-report')).toBeVisible();
  await page.getByRole('button', { name: 'Use the settings that came with it' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(desk.text).toContainText('Weigh the crate');
  await expect.poll(() => desk.storedSettings()).toMatchObject({ firstDayOfWeek: 7 });
  await page.reload();
  await expect(desk.text).toContainText('Weigh the crate');
});

// The browser reports what it could not load, which the usual test takes for a fault.
base('a piece of the program that is gone says so, the rest works, and loading anew keeps every word', async ({ page }) => {
  const desk = new Desk(page);
  await desk.open('empty');
  await desk.write('- [ ] Weigh the crate {due 2026-11-23}');
  await page.route('**/assets/WhyPanel-*.js', (route) => route.abort());
  await desk.shownBeside('Why a task stands where it stands');
  const alert = desk.beside.getByRole('alert');
  await expect(alert).toContainText('This panel cannot be shown. A piece of the program is missing');
  await desk.text.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' before noon');
  await page.unroute('**/assets/WhyPanel-*.js');
  await alert.getByRole('button', { name: /Load the page anew/ }).click();
  await expect(desk.beside.getByText('Choose “Why it stands here”')).toBeVisible();
  await expect(desk.text).toContainText('before noon');
});
