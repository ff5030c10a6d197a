import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeApp } from './app';

const folder = mkdtempSync(path.join(tmpdir(), 'recado-'));
mkdirSync(path.join(folder, 'assets'));
writeFileSync(path.join(folder, 'index.html'), '<!doctype html><title>Recado</title>');
writeFileSync(path.join(folder, 'assets', 'a.js'), 'export {};');
writeFileSync(path.join(folder, '..', 'outside.txt'), 'not for the world');

const server = makeApp(folder, path.join(folder, 'data')).listen(0);
const base = (): string => `http://localhost:${(server.address() as AddressInfo).port}`;
afterAll(() => new Promise((resolve) => server.close(resolve)));

describe('the server', () => {
  it('says that it is well', async () => {
    const response = await fetch(`${base()}/healthz`);
    expect(await response.json()).toEqual({ ok: true });
  });

  it.each([
    '/',
    '/note/Exhibitions/Salt%20on%20the%20Glass.md',
    '/day/2026-11-23',
    '/days',
    '/slip?text=oil',
    '/find?q=crate',
    '/help',
    '/help/day',
  ])('gives the application for %s', async (address) => {
    const response = await fetch(base() + address, { headers: { accept: 'text/html' } });
    expect(response.status).toBe(200);
    expect(await response.text()).toContain('<title>Recado</title>');
  });

  it.each([
    '/nosuch',
    '/settings/more',
    '/wp-login.php',
    '/favicon.ico',
    '/assets/none.js',
    '/%E0%A4%A',
    '/.git/config',
    '/day/2026-11-23/x',
  ])('answers an address that is neither a page nor a file with 404 or 400, never with the page or a trace: %s', async (address) => {
    const response = await fetch(base() + address, { headers: { accept: 'text/html' } });
    expect([400, 404]).toContain(response.status);
    const body = await response.text();
    expect(body).not.toContain('<title>');
    expect(body).not.toMatch(/\bat .*\(|node_modules|Error:/);
    expect(response.headers.get('content-security-policy')).toContain("script-src 'self'");
  });

  it('has strict headers on every answer', async () => {
    const { headers } = await fetch(`${base()}/`, { headers: { accept: 'text/html' } });
    const policy = headers.get('content-security-policy') ?? '';
    for (const part of ["default-src 'none'", "script-src 'self'", "object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'"]) {
      expect(policy).toContain(part);
    }
    expect(policy).not.toContain('unsafe-eval');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('strict-transport-security')).toBeNull();
    expect(headers.get('x-powered-by')).toBeNull();
  });

  it('keeps built files, not the page, in caches', async () => {
    const asset = await fetch(`${base()}/assets/a.js`);
    expect(asset.headers.get('cache-control')).toContain('immutable');
    const page = await fetch(`${base()}/`, { headers: { accept: 'text/html' } });
    expect(page.headers.get('cache-control')).toContain('max-age=0');
  });

  it.each(['/..%2foutside.txt', '/assets/..%2f..%2foutside.txt', '/assets/none.js'])(
    'gives nothing from outside the build: %s',
    async (address) => {
      const response = await fetch(base() + address, { headers: { accept: 'text/plain' } });
      expect(response.status).toBeGreaterThanOrEqual(400);
      expect(await response.text()).not.toContain('not for the world');
    },
  );
});
