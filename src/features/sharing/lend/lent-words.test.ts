import { lentAddress, lentSecret, reachOf, seenWords } from './lent-words';

const SECRET = 'AAAAAAAAAAAAAAAAAAAAA1';

it('an address that was lent is known again, with all else in it; another is none', () => {
  expect(lentSecret(lentAddress('https://desk.museum.example', SECRET))).toBe(SECRET);
  expect(lentSecret(`http://10.0.0.4:4180/lent#${SECRET}`)).toBe(SECRET);
  for (const one of [
    '',
    'lent',
    `https://a.example/lent/${SECRET}`,
    `https://a.example/lent/#${SECRET}x`,
    `https://a.example/other/#${SECRET}`,
    `javascript:alert(1)/lent/#${SECRET}`,
  ])
    expect([one, lentSecret(one)]).toEqual([one, null]);
});

it.each([
  ['localhost', 'alone'],
  ['127.0.0.1', 'alone'],
  ['[::1]', 'alone'],
  // RFC 1918, RFC 3927, RFC 4193.
  ['192.168.1.20', 'near'],
  ['10.1.2.3', 'near'],
  ['172.16.0.1', 'near'],
  ['172.31.255.1', 'near'],
  ['169.254.3.4', 'near'],
  ['[fd12:3456::1]', 'near'],
  // RFC 6762, and a name without a domain.
  ['registrar.local', 'near'],
  ['registrar', 'near'],
  ['172.32.0.1', 'all'],
  ['[2001:db8::1]', 'all'],
  ['desk.museum.example', 'all'],
  ['fd.museum.example', 'all'],
])('%s is reached %s', (host, reach) => expect(reachOf(host)).toBe(reach));

it('what became of it is one line', () => {
  const there = { rights: 'write', until: null, hasWord: false, since: 0, opened: null, changes: 1, hands: [], there: 2 } as const;
  const day = new Date(2026, 10, 23).getTime();
  const today = Math.round(Date.UTC(2026, 10, 23) / 86_400_000);
  const words = (one: Parameters<typeof seenWords>[0], now = day) => seenWords(one, today, 'words', now);
  expect(words({ there: null, since: day, until: null })).toBe('lent today 00:00 · the server was not reached yet');
  expect(words({ there: { ...there, hands: [] }, since: day, until: day + 86_400_000 })).toBe(
    'lent today 00:00 · not opened yet · one change · 2 are there now · until today',
  );
  expect(words({ there: null, since: day, until: day }, day)).toContain('its last day is over');
});
