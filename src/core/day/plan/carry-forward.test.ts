import { isoDay, readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { answerTo } from '../../index/questions/questions';
import { DAY_DEFAULTS } from '../day-settings';
import { carryOffer, leftAloneSign } from './carry-forward';

const MONDAY = readIsoDay('2026-11-23') ?? 0;

function libraryOf(notes: Record<string, string>): Library {
  const library = new Library({ today: MONDAY, firstDayOfWeek: 1, dateStyle: 'iso', me: null, workingDay: 480 });
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

describe('what earlier days left open', () => {
  const offer = (notes: Record<string, string>, alone: readonly string[] = []) =>
    carryOffer(libraryOf(notes).rows(), MONDAY, DAY_DEFAULTS, (left) => alone.includes(leftAloneSign(left)));
  it.each<[string, string, string, boolean]>([
    ['planned for a past day', 'A.md', '- [ ] a {plan 2026-11-20}', true],
    ['written on a past page', 'Journal/2026-11-20.md', '- [ ] a', true],
    ['under way there', 'Journal/2026-11-20.md', '- [_] a', true],
    ['planned for today', 'A.md', '- [ ] a {plan 2026-11-23}', false],
    ['only due', 'A.md', '- [ ] a {due 2026-11-20}', false],
    ['planned for a past week', 'A.md', '- [ ] a {plan 2026-W47}', false],
    ['done', 'A.md', '- [x] a {plan 2026-11-20}', false],
    ['cancelled', 'A.md', '- [-] a {plan 2026-11-20}', false],
    ['landed there as a slip, never planned', 'Journal/2026-11-20.md', '## Log\n- [ ] a', false],
    ['carried on already', 'Journal/2026-11-20.md', '- [ ] a {plan 2026-11-23; pushed 2026-11-20}', false],
    ['a step of the page', 'Journal/2026-11-20.md', '- [x] over {done 2026-11-20}\n  - [ ] a', false],
    ['an echo', 'Journal/2026-11-20.md', '- [ ] [a](recado:k3f9qa)', false],
  ])('%s', (_, path, text, offered) => expect(offer({ [path]: text }).offered).toHaveLength(offered ? 1 : 0));

  it('stands by day and place; the others are counted with the reason', async () => {
    const notes = {
      'A.md':
        '- [ ] a {plan 2026-11-20}\n- [ ] b {plan 2026-11-19}\n- [:] c {plan 2026-11-20}\n- [ ] d {plan 2026-11-20; every day}\n- [ ] e {plan 2026-11-20; start 2026-12-01}',
      'Journal/2026-11-19.md': '- [ ] f',
    };
    const { offered, left } = offer(notes, ['A.md\na\n20777']);
    expect(offered.map(({ row, day }) => `${isoDay(day)} ${row.task.text}`)).toEqual(['2026-11-19 b', '2026-11-19 f']);
    expect(left).toEqual({ rests: 1, waits: 1, repeats: 1, leftAlone: 1 });
    const asked = await answerTo(libraryOf(notes), 'carry', { leftAlone: ['A.md\na\n20777'] });
    expect([asked.offered.map(({ text }) => text), asked.left]).toEqual([['b', 'f'], left]);
  });

  it('left alone of one day is offered again once it is planned for another', () => {
    const sign = (text: string) => offer({ 'A.md': text }).offered.map(leftAloneSign);
    expect(sign('- [ ] a {plan 2026-11-20}')).not.toEqual(sign('- [ ] a {plan 2026-11-19}'));
  });
});
