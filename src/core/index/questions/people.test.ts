import { isoDay } from '../../calendar/day';
import { Library } from '../library';
import { answerTo } from './questions';

const TODAY = 20780; // Mon 23 Nov 2026

function libraryOf(notes: Record<string, string>): Library {
  const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: 'ada', workingDay: 480 });
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

const meeting = (day: number, people: string, more = ''): string =>
  `---\nkind: meeting\ndate: ${isoDay(day)}\npeople: [${people}]\nseries: Rounds\n---\n${more}`;

describe('all people', () => {
  const library = libraryOf({
    'People/Kofi.md': '---\nkind: person\nhandle: kofi\ntitle: Kofi Sand\n---\n- [ ] on his page\n',
    'A.md': '- [ ] one {owner @Kofi}\n- [ ] two {owner @kofi; asked @bea}\n- [x] three {owner @kofi; done 2026-11-20}\n- [ ] four @ada\n',
    'M1.md': meeting(TODAY - 14, 'kofi, bea'),
    'M2.md': meeting(TODAY - 7, 'kofi'),
    'M3.md': meeting(TODAY, 'kofi'),
    'M4.md': meeting(TODAY + 7, 'kofi, bea'),
    'Old.md': '---\nkind: archive\n---\n- [ ] old {owner @kofi}\n',
  });

  it('with what is open with them, what they own and asked for, and when one meets', async () => {
    expect(await answerTo(library, 'people', {})).toEqual([
      {
        name: 'kofi',
        fullName: 'Kofi Sand',
        path: 'People/Kofi.md',
        open: 3,
        owned: 2,
        asked: 0,
        last: { path: 'M2.md', date: TODAY - 7 },
        next: { path: 'M3.md', date: TODAY },
      },
      {
        name: 'bea',
        fullName: null,
        path: null,
        open: 1,
        owned: 0,
        asked: 1,
        last: { path: 'M1.md', date: TODAY - 14 },
        next: { path: 'M4.md', date: TODAY + 7 },
      },
    ]);
  });

  it('changes with what is done', async () => {
    library.apply([{ path: 'A.md', text: '- [x] two {owner @kofi; asked @bea; done 2026-11-23}\n' }]);
    const [kofi, bea] = await answerTo(library, 'people', {});
    expect([kofi?.owned, kofi?.open, bea?.asked, bea?.open]).toEqual([0, 1, 0, 0]);
  });
});

test('the digest of a meeting, with what a person wrote into it and what the series left open', async () => {
  const library = libraryOf({
    'M1.md': meeting(TODAY - 7, 'kofi', '- [ ] crates\n'),
    'M2.md': meeting(TODAY, 'kofi', '- oiled {key}\n\n## Digest\n\n- By hand\n'),
    'N.md': '- [ ] no meeting\n',
  });
  const lines = await answerTo(library, 'digest', { path: 'm2.md', heading: 'Digest' });
  for (const line of ['- By hand', '  - oiled', '  - crates']) expect(lines).toContain(line);
  expect(await answerTo(library, 'digest', { path: 'N.md', heading: 'Digest' })).toEqual([]);
});
