import { expectAccessible } from '../axe';
import { type Desk, expect, test } from '../desk';
import { askedToSeal, sealNote } from './seal-a-note';

const PASSPHRASE = 'salt and oak and tar';
/** What of the note stands nowhere else. */
const SECRET = /violet|quince|Winter bed/i;

/** What stands on the page; rows of lists go with their next answer, a moment after a seal is closed. */
const allThatIsShown = (desk: Desk): Promise<string> =>
  desk.page.evaluate(() => [document.documentElement.outerHTML, document.title, location.href].join('\n'));

/** Everything that the page keeps: databases, the file space, what is kept beside; as one text. */
async function allThatIsKept(desk: Desk): Promise<string> {
  return desk.page.evaluate(async () => {
    const parts: string[] = [];
    const said = (value: unknown): string =>
      JSON.stringify(value, (_, one: unknown) => {
        if (one instanceof Uint8Array || one instanceof ArrayBuffer) return new TextDecoder('latin1').decode(one);
        return one instanceof Map || one instanceof Set ? [...one] : one;
      });
    for (const { name = '' } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const request = indexedDB.open(name);
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(new Error(name));
      });
      for (const table of db.objectStoreNames) {
        const all = await new Promise<unknown[]>((resolve) => {
          const request = db.transaction(table).objectStore(table).getAll() as IDBRequest<unknown[]>;
          request.onsuccess = () => resolve(request.result);
        });
        parts.push(...all.map(said));
      }
      db.close();
    }
    // An address writes a space in its own way.
    for (const storage of [localStorage, sessionStorage]) parts.push(said({ ...storage }).replaceAll('%20', ' '));
    const files = async (folder: FileSystemDirectoryHandle): Promise<void> => {
      for await (const handle of folder.values()) {
        parts.push(handle.name);
        if (handle.kind === 'directory') await files(handle);
        // The copies are packed: their names can be read, and a word in them that is short enough.
        else parts.push(new TextDecoder('latin1').decode(await (await handle.getFile()).arrayBuffer()));
      }
    };
    await files(await navigator.storage.getDirectory());
    for (const name of await caches.keys()) parts.push(name);
    return parts.join('\n');
  });
}

test('a note is sealed: closed, no word of it is anywhere; opened it is written, found and closed by time', async ({
  desk,
  page,
  context,
}) => {
  // Trying a passphrase takes its time, on purpose.
  test.slow();
  await desk.open('empty');
  await desk.bringIn([
    {
      name: 'Winter bed.md',
      mimeType: 'text/markdown',
      buffer: Buffer.from('# Order\n\nviolet seeds\n- [ ] Water the quince {due 2026-11-23; remind 09:25}\n'),
    },
    { name: 'Letters.md', mimeType: 'text/markdown', buffer: Buffer.from('words of other notes\n') },
  ]);
  await page.keyboard.press('Escape');
  await page.goto('/note/Winter bed.md');
  await desk.write('more violet');
  await expect.poll(() => desk.stored('Winter bed.md')).toContain('more violet');
  await page.goto('/note/Winter bed.md');
  await expect(desk.text).toBeVisible();

  // By key alone: the menu of commands, the passphrase twice, Enter.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('seal the note');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Seal a note' });
  await dialog.getByLabel('Passphrase', { exact: true }).fill(PASSPHRASE);
  await dialog.getByLabel('Once more').fill('something else');
  await expect(dialog.getByText('Both must be the same.')).toBeVisible();
  await expectAccessible(page, 'the dialog of sealing', { part: '[role=dialog]' });
  await dialog.getByLabel('Once more').fill(PASSPHRASE);
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await expect(page).toHaveURL(/\/note\/sealed-[a-z2-7]{16}\.md\.age$/);
  const address = page.url();
  await expect(page.getByLabel('Title of the note')).toHaveValue('Winter bed');
  const strip = page.getByRole('contentinfo');
  await expect(strip.getByText('Private is open')).toBeVisible();
  await desk.agenda('Today');
  await expect(desk.row(desk.main, 'Water the quince')).toBeVisible();

  // Another tab knows nothing of it, and is told nothing.
  const other = await context.newPage();
  await other.addInitScript(() => {
    const channel = new BroadcastChannel('recado-recado');
    const heard: unknown[] = ((window as unknown as { heard: unknown[] }).heard = []);
    channel.addEventListener('message', (event) => heard.push(event.data));
  });
  await other.goto(address);
  await expect(other.getByRole('heading', { name: 'A sealed note' })).toBeVisible();

  await page.bringToFront();
  await page.goto(address);
  await expect(desk.main.getByRole('heading', { name: 'A sealed note' })).toBeVisible();
  expect(await allThatIsKept(desk)).not.toMatch(SECRET);
  expect(await allThatIsShown(desk)).not.toMatch(SECRET);
  await expectAccessible(page, 'a closed note', { part: 'main' });
  await page.keyboard.press('Shift+F9');
  await page.keyboard.type('violet');
  await expect(desk.main.getByText(/Nothing|No note/).first()).toBeVisible();
  await page.goBack();

  // A wrong passphrase is said, and opens nothing.
  await desk.main.getByRole('button', { name: 'Open it…' }).click();
  const opening = page.getByRole('dialog', { name: 'Open a seal' });
  await opening.getByLabel('Passphrase').fill('salt and elm');
  await page.keyboard.press('Enter');
  await expect(opening.getByRole('alert')).toContainText('does not open the seal');
  await opening.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.keyboard.press('Enter');
  await expect(desk.text).toContainText('more violet');
  await expect(opening).toBeHidden();
  // Whoever opens a note goes on in it.
  await expect(desk.text).toBeFocused();
  await desk.write('\n# Later\nand a quince');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.keyboard.press('Shift+F9');
  await page.keyboard.type('quince');
  await expect(desk.main.getByRole('region', { name: 'Notes' })).toContainText('Winter bed');
  await page.goto('/note/Letters.md');
  await expect(desk.text).toBeVisible();

  // Nobody is there for a while: it closes by itself, and the other tab heard no word.
  await page.goto(address);
  await desk.main.getByRole('button', { name: 'Open it…' }).click();
  await opening.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.keyboard.press('Enter');
  await expect(desk.text).toContainText('and a quince');
  await expect(opening).toBeHidden();
  await page.clock.setFixedTime(new Date('2026-11-23T09:36:00'));
  await page.mouse.move(500, 400);
  await expect(desk.main.getByRole('heading', { name: 'A sealed note' })).toBeVisible();
  await expect(page.getByText('Nobody was here for a while')).toBeVisible();
  expect(await allThatIsKept(desk)).not.toMatch(SECRET);
  await expect.poll(() => allThatIsShown(desk)).not.toMatch(SECRET);
  const told = await other.evaluate(() => (window as unknown as { heard: unknown[] }).heard);
  expect(told.length).toBeGreaterThan(0);
  expect(JSON.stringify(told)).not.toMatch(SECRET);
});

test('keys and dialogs of seals where they do not apply, twice, and with two tabs', { tag: '@long' }, async ({ desk, page, context }) => {
  test.slow();
  page.setDefaultTimeout(30_000);
  await desk.open('demo');
  // Without any seal.
  for (let time = 0; time < 2; time++) {
    await page.keyboard.press('Alt+Shift+F8');
    await expect(page.getByText('No seal is open.').last()).toBeVisible();
    await page.keyboard.press('Control+k');
    await page.keyboard.type('open a seal');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog', { name: 'Open a seal' })).toContainText('There is no seal here yet.');
    await page.keyboard.press('Escape');
  }
  // What the program itself must read is not sealed, and a dialog that is left changes nothing.
  await page.goto('/note/Templates/Meeting.md');
  const dialog = await askedToSeal(desk, PASSPHRASE);
  await expect(dialog.getByRole('alert')).toContainText('is of kind template');
  await page.keyboard.press('Escape');
  expect(await desk.stored('Seals/Private.md')).toBeNull();

  await sealNote(desk, 'Private/Allotment.md', PASSPHRASE);
  // With all open there is nothing to open; the note goes out of its seal and under it again.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('open a seal');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Open a seal' })).toContainText('Every seal is open.');
  await page.keyboard.press('Escape');
  const strip = page.getByRole('contentinfo');
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: 'Open it…' }).click();
  await other.getByLabel('Passphrase').fill(PASSPHRASE);
  await other.keyboard.press('Enter');
  await expect(other.getByRole('contentinfo').getByText('Private is open')).toBeVisible();
  // What is written in one tab is there in the other.
  await page.bringToFront();
  await desk.write('\n# From the first tab\n');
  await expect(other.getByRole('textbox', { name: 'Text of the note' })).toContainText('From the first tab');
  // Closed in one, it is closed in both, and it is said; once more there is nothing to close.
  await page.keyboard.press('Alt+Shift+F8');
  await expect(page.getByText('Closed: sealed notes can be read by nobody now.')).toBeVisible();
  await expect(strip.getByText('Private is open')).toBeHidden();
  await expect(other.getByRole('heading', { name: 'A sealed note' })).toBeVisible();
  await page.keyboard.press('Alt+Shift+F8');
  await expect(page.getByText('No seal is open.')).toBeVisible();
});

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a note is sealed, closed, opened and written on a phone', { tag: '@long' }, async ({ desk, page }) => {
    test.slow();
    page.setDefaultTimeout(30_000);
    await desk.open('demo');
    await sealNote(desk, 'Phone list.md', PASSPHRASE);
    const dialogFits = async (): Promise<boolean> =>
      page.evaluate(() =>
        [...document.querySelectorAll('[role=dialog] *')].every((one) => one.getBoundingClientRect().right <= innerWidth),
      );
    // While one writes, the tools of the text stand in the place of the strip.
    await desk.text.blur();
    await page.getByRole('button', { name: 'Close', exact: true }).tap();
    await expect(desk.main.getByRole('heading', { name: 'A sealed note' })).toBeVisible();
    await desk.main.getByRole('button', { name: 'Open it…' }).tap();
    const opening = page.getByRole('dialog', { name: 'Open a seal' });
    await opening.getByLabel('Passphrase').fill(PASSPHRASE);
    expect(await dialogFits()).toBe(true);
    await opening.getByRole('button', { name: 'Open', exact: true }).tap();
    await expect(opening).toBeHidden();
    await desk.write('\n\nthe harbour office');
    await desk.text.blur();
    await page.getByRole('button', { name: 'Close', exact: true }).tap();
    await expect(desk.main.getByRole('heading', { name: 'A sealed note' })).toBeVisible();
    expect(await allThatIsKept(desk)).not.toContain('the harbour office');
    await expect.poll(() => allThatIsShown(desk)).not.toContain('the harbour office');
  });
});
