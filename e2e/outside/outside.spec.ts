import { mkdtempSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeStandIn } from '../../stand-in/app';
import { changedTask, readTask } from '../../stand-in/task-text';
import { expectAccessible } from '../axe';
import { NOW, expect, test } from '../desk';

const KEY = 'key-of-the-journey';

/** The stand-in of an outside task service, and what somebody does there. */
function service() {
  const { app, files, faults } = makeStandIn(mkdtempSync(path.join(tmpdir(), 'recado-journey-')), KEY, () => NOW);
  const server = app.listen(0, '127.0.0.1');
  const all = () =>
    files.all('team').flatMap(({ name, text }) => ({
      name,
      text,
      ...(readTask(text) ?? { words: '', done: false, due: '', labels: [], link: '', priority: 0 }),
    }));
  const find = (words: string) => all().find((task) => task.words.includes(words));
  return {
    ...{ files, faults, all, find },
    address: () => `http://localhost:${(server.address() as AddressInfo).port}`,
    change: (words: string, change: Parameters<typeof changedTask>[1]) => {
      const task = find(words);
      if (task) files.write('team', task.name, changedTask(task.text, change, NOW), undefined);
    },
    remove: (words: string) => void files.remove('team', find(words)?.name ?? '', undefined),
    end: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

const NOTE = 'Van week.md';
const LINES = [
  'Weigh the crate',
  'Count the labels',
  'Order glass',
  'Call the carrier',
  'Print the plan',
  'Check the keys',
  'Book the van',
  'Write to Noor',
];

test('eight lines are joined with a list and a day, change on both sides, and stay one each; then all that is open is sent on', async ({
  desk,
  page,
}) => {
  test.setTimeout(120_000);
  const there = service();
  await desk.open('empty');
  await desk.bringIn([
    {
      name: 'Van week.md',
      mimeType: 'text/markdown',
      buffer: Buffer.from(
        `# Van week\n${LINES.map((words) => `- [ ] ${words} #van\n  For the show in spring.\n`).join('')}- [ ] Plain box\n- [ ] Another plain one\n`,
      ),
    },
  ]);
  await page.keyboard.press('Escape');

  // A wrong key is refused in plain words; the right one shows the lists.
  await page.goto('/outside');
  await page.getByRole('button', { name: 'Follow a list…' }).click();
  await page.getByLabel('Address of the service').fill(there.address());
  await page.getByLabel('Name there').fill('ilse');
  await page.getByLabel('Access key or password').fill('wrong');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('does not know this key');
  await page.getByLabel('Access key or password').fill(KEY);
  await page.keyboard.press('Enter');
  await page.getByRole('checkbox', { name: 'Team' }).check();
  await page.getByRole('button', { name: 'Follow them' }).click();
  await page.getByRole('link', { name: 'Team', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'In step' })).toBeVisible();

  // Eight lines, by the list of what is not there yet.
  const open = page.getByRole('region', { name: 'Not there yet' });
  await expect(open.getByText('Weigh the crate')).toBeVisible();
  for (const words of LINES) await open.getByText(words).click({ modifiers: ['Control'] });
  await expect(page.getByRole('region', { name: 'Selected tasks' })).toContainText('8 tasks');
  await page.getByRole('region', { name: 'Selected tasks' }).getByRole('button', { name: 'More…' }).click();
  await page.getByRole('menuitem', { name: 'Outside list' }).click();
  await page.getByRole('menuitem', { name: 'Join or send on…' }).click();
  await page.getByLabel(/^Due/).fill('next week');
  await expectAccessible(page, 'going onto an outside list', { part: '[role=dialog]' });
  await page.getByRole('button', { name: 'Join', exact: true }).click();
  await expect.poll(() => there.all().length).toBe(8);
  expect(there.find('Weigh')).toMatchObject({ words: 'Weigh the crate', due: '2026-12-06', labels: ['van'], done: false });
  expect(there.find('Weigh')?.text.replace(/\r\n /g, '')).toContain('For the show in spring.\\n\\nIn Recado: http://localhost:');

  // Done there, done here; done here, done there; another day here, the same there.
  there.change('Count', { done: true });
  await page.getByRole('button', { name: 'Look now' }).click();
  await expect
    .poll(() => desk.stored(NOTE))
    .toMatch(/- \[x\] Count the labels #van \{due 2026-12-06; ref \w{6}; joined Team; done 2026-11-23 09:20\}/);
  const list = page.locator('[data-lists]').first();
  await list.getByRole('checkbox', { name: 'Order glass' }).click();
  await expect.poll(() => there.find('Order glass')?.done).toBe(true);
  await expect.poll(() => desk.stored(NOTE)).toMatch(/- \[x\] Order glass/);
  const data = await page.evaluateHandle(() => new DataTransfer());
  await desk.row(list, 'Call the carrier').dispatchEvent('dragstart', { dataTransfer: data });
  const wednesday = page.locator('[data-day="2026-11-25"]');
  await wednesday.dispatchEvent('dragenter', { dataTransfer: data });
  await wednesday.locator('[data-drop="due"]').dispatchEvent('drop', { dataTransfer: data });
  await expect.poll(() => there.find('Call the carrier')?.due).toBe('2026-11-25');
  await expect.poll(() => desk.stored(NOTE)).toMatch(/Call the carrier #van \{due 2026-11-25/);
  await page.keyboard.press('Control+z');
  await expect.poll(() => there.find('Call the carrier')?.due).toBe('2026-12-06');
  // A plain box is nothing to the list.
  const made = there.all().length;
  await open.getByRole('checkbox', { name: 'Plain box' }).click();
  await expect(open.getByText('Plain box')).toBeHidden();

  // Away: the last known stands there, dimmed, and what is done meanwhile goes there later.
  there.faults.ask('error', 50);
  await page.getByRole('button', { name: 'Look now' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'not reached' })).toContainText('as of today 09:20');
  await list.getByRole('checkbox', { name: 'Print the plan' }).click();
  await expect.poll(() => desk.stored(NOTE)).toMatch(/- \[x\] Print the plan/);
  there.faults.clear();
  await page.getByRole('button', { name: 'Look now' }).click();
  await expect.poll(() => there.find('Print the plan')?.done).toBe(true);

  // Gone there: it is asked, and nothing is removed.
  there.remove('Book the van');
  await page.getByRole('button', { name: 'Look now' }).click();
  await expect(page.getByText('“Book the van” is gone from the list there.')).toBeVisible();
  await page.getByRole('button', { name: 'Make it there again' }).click();
  await expect.poll(() => there.find('Book the van')?.words).toBe('Book the van');

  // What is left is sent on by one key, and the list runs empty; one key takes it back.
  await desk.row(open, 'Another plain one').getByRole('checkbox').focus();
  await page.keyboard.press('Control+Shift+ArrowUp');
  await page.getByRole('radio', { name: 'Send on: put there once' }).check();
  await page.getByRole('button', { name: 'Send on', exact: true }).click();
  await expect.poll(() => there.find('Another plain one')?.link).toMatch(/\/item\/\w{6}$/);
  await expect(open.getByText('Nothing')).toBeVisible();
  expect(there.all()).toHaveLength(made + 1);

  // A slip lands on the list, with a label and the way to the page one is on.
  await page.goto('/note/Van%20week.md');
  await expect(desk.text).toBeVisible();
  // A copy of a joined line is another task.
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', '- [ ] Copied {joined Team; ref zzzzzz}');
    document
      .querySelector('.cm-content')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect.poll(() => desk.stored(NOTE)).toContain('- [ ] Copied');
  expect(await desk.stored(NOTE)).not.toContain('zzzzzz');
  await page.keyboard.press('Control+z');
  await expect.poll(() => desk.stored(NOTE)).not.toContain('Copied');
  await desk.write('\n- [ ] Sweep the dock');
  await expect.poll(() => desk.stored(NOTE)).toContain('Sweep the dock');
  await desk.main.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Its tasks onto an outside list…' }).click();
  await expect(page.getByRole('dialog').getByText('Sweep the dock')).toBeVisible();
  await page.getByRole('radio', { name: 'Send on: put there once' }).check();
  await page.getByRole('button', { name: 'Send on', exact: true }).click();
  await expect.poll(() => there.find('Sweep the dock')?.words).toBe('Sweep the dock');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect.poll(() => there.find('Sweep the dock')).toBeUndefined();
  await expect.poll(() => desk.stored(NOTE)).toMatch(/Sweep the dock$/m);
  await page.keyboard.press('F10');
  await expect(page.getByRole('dialog').getByRole('textbox').first()).toBeFocused();
  await page.keyboard.type('Ask for a ramp due fri #van');
  await page.keyboard.press('Tab');
  await page.getByLabel('Where to').fill('outside Team');
  await page.getByRole('button', { name: 'without a link' }).click();
  await page.getByRole('button', { name: 'Store' }).click();
  await expect.poll(() => there.find('Ask for a ramp')?.due).toBe('2026-11-27');
  const ramp = there.find('Ask for a ramp');
  expect([ramp?.labels, ramp?.link]).toEqual([['van'], expect.stringContaining('/note/Van%20week.md')]);

  // Gathered in a note of one's own with conditions as any other, and ticked there.
  await page.goto('/ask?q=from outside "Team" where open and %23van limit 5');
  await desk.row(desk.main, 'Ask for a ramp').getByRole('checkbox').click();
  await expect.poll(() => there.find('Ask for a ramp')?.done).toBe(true);
  there.end();
});
