import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
const server = spawn('node', ['node_modules/tsx/dist/cli.mjs', 'server/main.ts'], {
  env: { ...process.env, PORT: '4199', DATA: '/tmp/lookdata' },
  stdio: 'inherit',
});
await new Promise((r) => setTimeout(r, 3000));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const own = await browser.newContext({ viewport: { width: 1280, height: 800 }, timezoneId: 'Europe/Lisbon', serviceWorkers: 'block' });
const page = await own.newPage();
page.on('console', (m) => m.type() === 'error' && console.log('OWN', m.text()));
page.on('pageerror', (e) => console.log('OWNERR', e.message));
await page.clock.setFixedTime(new Date('2026-11-23T09:20:00'));
await page.goto('http://localhost:4199/');
await page.getByRole('button', { name: 'Look around in the demo' }).click();
await page.getByText(/lines indexed/).waitFor({ state: 'attached' });
export { page, browser, server };
const which = process.argv[2];
const mod = await import(`./.cache/${which}`);
await mod.default({ page, browser });
await browser.close();
server.kill();
