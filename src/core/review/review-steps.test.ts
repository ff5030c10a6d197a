import { readNote } from '../task/reading/read-note';
import { noteFrom } from '../template/from-template';
import { reviewBefore } from '../index/questions/past/reviews';
import { reviewAfter, reviewMinutes, reviewState } from './review-clock';
import { remarksOf, reviewSteps, wholeReview } from './review-steps';

const at = (words: string): { day: number; minute: number } => {
  const [hours = 0, minutes = 0] = words.split(':').map(Number);
  return { day: 20780, minute: hours * 60 + minutes };
};

describe('the steps of a review', () => {
  it('stand under its one task, or are its outermost tasks', () => {
    const under = readNote('A.md', '- [ ] Week\n  - [x] a\n  - [ ] b\n    - [ ] of b\n  - [-] c\n');
    expect(reviewSteps(under).map(({ words, open }) => [words, open])).toEqual([
      ['a', false],
      ['b', true],
    ]);
    expect(wholeReview(under)?.text).toBe('Week');
    const apart = readNote('A.md', '- [ ] a\n- [ ] b\n  - [ ] of b\n');
    expect(reviewSteps(apart).map(({ words }) => words)).toEqual(['a', 'b']);
    expect(wholeReview(apart)).toBeNull();
    expect(reviewSteps(readNote('A.md', 'words\n'))).toEqual([]);
  });

  it.each([
    ['- [ ] [[Agenda/Inbox]]: a place for each', 'Inbox: a place for each', { is: 'note', target: 'Agenda/Inbox' }],
    ['- [ ] Look at [[Waiting|who waits]] and [[Ahead]]', 'Look at who waits and Ahead', { is: 'note', target: 'Waiting' }],
    ['- [ ] [Five minutes](/brainstorm)', 'Five minutes', { is: 'page', address: '/brainstorm' }],
    ['- [ ] [Elsewhere](https://museum.example/)', '[Elsewhere](https://museum.example/)', null],
    ['- [ ] Calls\n  ```gather\n  open and #phone\n  ```', 'Calls', { is: 'gather', text: 'open and #phone' }],
    ['- [ ] Breathe', 'Breathe', null],
  ])('%s', (text, words, opens) => expect(reviewSteps(readNote('A.md', `${text}\n`))).toMatchObject([{ words, opens }]));

  it('what stands beside them are remarks, without headings, lists and blocks', () => {
    const text =
      '---\nkind: review\n---\n- [ ] a\n  its words\n\n## Good\nThe tide clock runs.\n\nTwo crates left.\n\n```gather\nopen\n```\n- plain\n';
    expect(remarksOf(readNote('A.md', text))).toEqual(['The tide clock runs.', 'Two crates left.']);
  });

  it('a new review has its own date, and every box is open', () => {
    const template =
      '---\nkind: template\nfor: review\ndate: "{{day}}"\n---\n- [ ] Week {plan {{day}}}\n  - [ ] [[Inbox]] {plan {{day}}}\n';
    const { text } = noteFrom(template, { day: 20780, minute: 0, name: 'Week', answers: new Map() });
    const note = readNote('Reviews/Week.md', text);
    expect([note.kind, note.front.date, note.tasks.every(({ status, plan }) => status === 'todo' && plan?.from === 20780)]).toEqual([
      'review',
      20780,
      true,
    ]);
  });
});

describe('the time of a review', () => {
  const BODY = '---\nkind: review\ndate: 2026-11-23\n---\n- [ ] a\n';

  it('is begun, paused, gone on with and finished, and stands in its front matter', () => {
    expect(reviewState(BODY)).toEqual({ is: 'to begin' });
    const begun = reviewAfter(BODY, 'begin', at('15:00'));
    expect([reviewState(begun).is, reviewMinutes(begun, at('15:10'))]).toEqual(['going', 10]);
    const paused = reviewAfter(begun, 'pause', at('15:10'));
    expect([reviewState(paused).is, reviewMinutes(paused, at('16:00'))]).toEqual(['paused', 10]);
    const on = reviewAfter(paused, 'go on', at('15:30'));
    expect([reviewState(on).is, reviewMinutes(on, at('15:40'))]).toEqual(['going', 20]);
    const finished = reviewAfter(on, 'finish', at('15:55'));
    expect(finished).toBe(
      '---\nkind: review\ndate: 2026-11-23\nstart: 2026-11-23 15:00\npauses: 20m\nend: 2026-11-23 15:55\n---\n- [ ] a\n',
    );
    expect([reviewState(finished), reviewMinutes(finished, at('23:00'))]).toEqual([{ is: 'finished', minutes: 35 }, 35]);
    // Gone on with later, the time between was a pause.
    const again = reviewAfter(finished, 'go on', at('17:00'));
    expect([reviewState(again).is, reviewMinutes(again, at('17:05'))]).toEqual(['going', 40]);
    expect(reviewAfter(again, 'finish', at('17:05'))).toContain('pauses: 1h25m');
  });

  it('finished while it pauses, the pause counts to its end', () => {
    const paused = reviewAfter(reviewAfter(BODY, 'begin', at('15:00')), 'pause', at('15:20'));
    const finished = reviewAfter(paused, 'finish', at('16:00'));
    expect([reviewState(finished), finished.includes('paused:')]).toEqual([{ is: 'finished', minutes: 20 }, false]);
  });

  it('what makes no sense changes nothing', () => {
    expect(reviewAfter(BODY, 'pause', at('15:00'))).toBe(BODY);
    expect(reviewAfter(BODY, 'go on', at('15:00'))).toBe(BODY);
  });
});

test('the review before is the last of its sort, by title without numbers and by day', () => {
  const one = (title: string, date: number | null, path = title) => ({
    path,
    title,
    open: 0,
    facts: { date, start: null, end: null, pauses: 0, minutes: null },
  });
  const all = [
    one('Week in review 2026-11-06', 6),
    one('Month in review 2026-11-01', 8),
    one('Week in review 2026-11-13', 13),
    one('Week in review 2026-11-20', 20),
  ];
  expect(reviewBefore('Week in review 2026-11-20', 'Week in review 2026-11-20', 20, all)?.facts.date).toBe(13);
  expect(reviewBefore('Year in review', 'x', null, all)).toBeNull();
});
