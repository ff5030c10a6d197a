import { readFile } from 'node:fs/promises';
import { unzipSync } from 'fflate';
import { expectAccessible } from '../axe';
import { type Desk, expect, test } from '../desk';

const NOTE = 'Exhibitions/Salt on the Glass.md';

/** A picture as the browser draws it, so wide. */
async function drawn(desk: Desk, width: number): Promise<Buffer> {
  const base64 = await desk.page.evaluate(async (size) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [size, size / 2];
    const drawing = canvas.getContext('2d');
    // Much to be kept: so that it becomes less when it is made smaller.
    for (let at = 0; at < 400 && drawing; at++) {
      drawing.fillStyle = `hsl(${(at * 47) % 360} 60% 50%)`;
      drawing.fillRect((at * 131) % size, (at * 71) % (size / 2), 90, 60);
    }
    return canvas.toDataURL('image/png').split(',')[1] ?? '';
  }, width);
  return Buffer.from(base64, 'base64');
}

/** Hands a file to the text as a clipboard or a drag does; `more` bytes of nothing behind what it holds. */
async function hand(desk: Desk, how: 'paste' | 'drop', name: string, type: string, bytes: Buffer, more = 0): Promise<void> {
  const target = desk.text;
  await target.evaluate(
    (element, given) => {
      const data = new DataTransfer();
      const parts = [Uint8Array.from(atob(given.base64), (letter) => letter.charCodeAt(0)), new Uint8Array(given.more)];
      data.items.add(new File(parts, given.name, { type: given.type }));
      const box = element.querySelector('.cm-line:last-child')?.getBoundingClientRect() ?? element.getBoundingClientRect();
      const event =
        given.how === 'paste'
          ? new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
          : new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true, clientX: box.left + 5, clientY: box.top + 5 });
      element.dispatchEvent(event);
    },
    { how, name, type, more, base64: bytes.toString('base64') },
  );
}

test('pictures are pasted, dropped, chosen and slipped in, made smaller, shown, and go out with their note', async ({ desk, page }) => {
  await desk.open('demo');
  await page.goto(`/note/${NOTE}`);
  await desk.text.focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('\n\n');
  const large = await drawn(desk, 3200);
  await hand(desk, 'paste', 'image.png', 'image/png', large);
  const shown = desk.text.locator('.cm-picture img');
  await expect(shown).toHaveCount(1);
  await expect.poll(() => shown.first().evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(2400);
  await expect.poll(() => desk.stored(NOTE)).toContain('![](../Pictures/20261123.webp)');
  // No larger than the page shows it well.
  expect((await shown.first().boundingBox())?.height).toBeLessThan(400);

  // One by the menu, with a name; typing goes on behind it.
  await page.getByRole('button', { name: 'Insert', exact: true }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('menuitem', { name: 'Picture from a file' }).click(),
  ]);
  await chooser.setFiles({ name: 'North crate.png', mimeType: 'image/png', buffer: await drawn(desk, 300) });
  await expect(shown).toHaveCount(2);
  await page.keyboard.type('\nwords go on');
  await expect.poll(() => desk.stored(NOTE)).toMatch(/!\[North crate\]\(\.\.\/Pictures\/20261123-North-crate\.png\)\n*words go on/);

  // What is none, claims to be one, or is far too large is said, and nothing is written.
  const before = await desk.stored(NOTE);
  await hand(desk, 'drop', 'plan.png', 'image/png', Buffer.from('<html>no picture</html>'));
  await expect(page.getByText('“plan.png” is no picture that can be shown')).toBeVisible();
  await hand(desk, 'paste', 'wall.png', 'image/png', Buffer.from('so large'), 41 * 1024 * 1024);
  await expect(page.getByText('“wall.png” is larger than 40 MB')).toBeVisible();
  expect(await desk.stored(NOTE)).toBe(before);

  // A drawing is shown as a picture only: what it would do is not done.
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><script>top.document.title="bad"</script><rect width="40" height="40"/></svg>';
  await hand(desk, 'drop', 'sketch.svg', 'image/svg+xml', Buffer.from(svg));
  await expect(shown).toHaveCount(3);
  await desk.write('\n![lost](../Pictures/lost.png)\n![there](https://example.org/there.png)\n\nend');
  await expect(desk.text.getByText('There is no picture at ../Pictures/lost.png: lost')).toBeVisible();
  await expect(desk.text.getByText('A picture of another place, which is not fetched: there')).toBeVisible();
  await expectAccessible(page, 'a note with pictures', { part: '.cm-content' });
  expect(await page.title()).not.toContain('bad');

  // From a slip, under its words; a list says that there is one.
  await page.keyboard.press('F10');
  await expect(page.getByRole('textbox', { name: 'Words of the slip' })).toBeFocused();
  await page.keyboard.type('Mend the barrow today');
  const [slips] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('button', { name: 'Picture' }).click()]);
  await slips.setFiles({ name: 'Broken barrow.png', mimeType: 'image/png', buffer: await drawn(desk, 200) });
  await expect(page.getByRole('textbox', { name: 'Words of the slip' })).toHaveValue(/Mend the barrow today !\[Broken barrow\]\(.*\)$/);
  await page.getByRole('button', { name: 'Store', exact: true }).click();
  await expect
    .poll(() => desk.stored('Journal/2026-11-23.md'))
    .toMatch(/- \[ \] Mend the barrow !\[Broken barrow\]\(\.\.\/Pictures\/20261123-Broken-barrow\.png\) \{plan 2026-11-23/);
  await desk.agenda('Today');
  await expect(desk.row(desk.main, 'Mend the barrow')).toContainText('(picture: Broken barrow)');

  // The note goes out with what it shows.
  await page.goto(`/note/${NOTE}`);
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Take out…' }).click();
  const dialog = page.getByRole('dialog');
  const [download] = await Promise.all([page.waitForEvent('download'), dialog.getByRole('button', { name: 'Save as a file' }).click()]);
  const files = unzipSync(await readFile(await download.path()));
  expect(Object.keys(files).sort()).toEqual([
    NOTE,
    'Pictures/20261123-North-crate.png',
    'Pictures/20261123-sketch.svg',
    'Pictures/20261123.webp',
  ]);
});
