import { readFileSync } from 'node:fs';
import { strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { expect, test } from '@playwright/test';
import { SETTINGS_FILE } from '../src/store/device/settings-file';

const COUNT = 50_000;

test('exchange: fifty thousand notes come in and go out, byte for byte', async ({ page }) => {
  const files: Record<string, Uint8Array> = {};
  for (let index = 0; index < COUNT; index++)
    files[`F${index % 60}/note ${index}.md`] = strToU8(`# Note ${index}\r\n\r\n- [ ] task ${index} {due 2026-12-0${1 + (index % 9)}}\n`);
  const packed: Zippable = Object.fromEntries(Object.entries(files).map(([path, bytes]) => [path, [bytes, { level: 1 }]]));
  await page.goto('/');
  await page.getByRole('button', { name: 'Begin with an empty desk' }).click();
  const rack = page.getByRole('navigation', { name: 'Rack' });
  await rack.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('button', { name: 'Bring in files…' }).click();
  let started = Date.now();
  await page
    .getByTestId('import-files')
    .setInputFiles({ name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from(zipSync(packed)) });
  await page.getByRole('button', { name: 'Bring it in' }).click({ timeout: 300_000 });
  await expect(page.getByTestId('import-report')).toContainText(`${COUNT} notes came in.`, { timeout: 600_000 });
  console.log(`  came in: ${((Date.now() - started) / 1000).toFixed(0)} s`);
  await page.keyboard.press('Escape');
  const download = page.waitForEvent('download', { timeout: 600_000 });
  started = Date.now();
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const out = unzipSync(new Uint8Array(readFileSync(await (await download).path())));
  console.log(`  went out: ${((Date.now() - started) / 1000).toFixed(0)} s`);
  const same = Object.entries(files).filter(([path, bytes]) => Buffer.from(out[path] ?? []).equals(Buffer.from(bytes)));
  expect(same).toHaveLength(COUNT);
  expect(Object.keys(out)).toContain(SETTINGS_FILE);
});
