import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const c = await b.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, deviceScaleFactor: 1, serviceWorkers: 'block' });
const p = await c.newPage();
await p.clock.setFixedTime(new Date('2026-11-23T09:20:00'));
await p.goto('http://localhost:4191/');
await p.getByRole('button', { name: 'Look around in the demo' }).tap();
await p.getByText(/lines indexed/).waitFor({ state: 'attached' });
const shots = [['today', '/note/Agenda/Today.md']];
for (const [n, a] of shots) { await p.goto('http://localhost:4191' + a); await p.waitForTimeout(1200); if (n === 'land') await p.setViewportSize({ width: 844, height: 390 }); else await p.setViewportSize({ width: 390, height: 844 }); await p.waitForTimeout(400); await p.getByRole('button', { name: 'Notes' }).tap(); await p.waitForTimeout(600); await p.screenshot({ path: `.cache/p-${n}.png` });
 const small = await p.evaluate(() => [...document.querySelectorAll('h2 > button, h3 > button')].slice(0,2).map((e) => { const r = e.getBoundingClientRect(); return [-18, 18].map((dy) => { const t = document.elementFromPoint(r.left + r.width/2, r.top + r.height/2 + dy); return `${dy} ${r.top} ${r.height} ${t?.tagName} ${t?.className} ${t?.getAttribute('aria-label')}`; }).join(' // '); }));
 console.log(n, small.length, small.slice(0, 40).join(' | ')); }
await b.close();
