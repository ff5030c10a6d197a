import { isoDay, readIsoDay } from '../calendar/day';
import { readFrame } from '../note/facts/note-frame';
import { meetingFacts } from './meeting-facts';
import { meetingTitle, nameInTitle } from './meeting-title';
import { meetingsOfSeries, nextOfSeries, ruleOfSeries } from './series';

const factsOf = (front: string) => meetingFacts(readFrame(`---\nkind: meeting\n${front}\n---\n`).front);

describe('the title that a meeting has by form and people', () => {
  it.each([
    ['call', ['kofi', 'teo'], 'Call with Kofi and Teo'],
    ['weekly round', ['kofi', 'teo', 'bea'], 'Weekly round with Kofi, Teo and Bea'],
    [null, ['noor'], 'Meeting with Noor'],
    ['visit', [], 'Visit'],
    [null, [], 'Meeting'],
    ['', ['a', 'b', 'c', 'd', 'e'], 'Meeting with A, B, C and 2 more'],
  ])('%j with %j: %s', (form, people, title) =>
    expect(
      meetingTitle(
        form,
        people.map((one) => nameInTitle(one)),
      ),
    ).toBe(title),
  );

  it('names a person by their first name where the handle says it, else by the handle', () => {
    expect(nameInTitle('kofi', 'Kofi Asante')).toBe('Kofi');
    expect(nameInTitle('ka', 'Kofi Asante')).toBe('Ka');
    expect(nameInTitle('jan.peter')).toBe('Jan Peter');
  });
});

describe('what a meeting says of itself', () => {
  it.each([
    ['start: "09:30"\nend: "10:15"', 570, 615, 0],
    ['start: 09:30', 570, null, 0],
    ['start: "23:30"\nend: "00:15"', 1410, 1455, 0],
    ['start: "half nine"', null, null, 1],
    ['start: "09:30"\nend: soon', 570, null, 1],
    ['date: tomorrow', null, null, 1],
    ['every: when it suits', null, null, 1],
    ['every: every 2 weeks on mon', null, null, 0],
  ])('%j', (front, start, end, problems) => {
    const facts = factsOf(front);
    expect([facts.start, facts.end, facts.problems.length]).toEqual([start, end, problems]);
  });
});

describe('a series', () => {
  const meeting = (path: string, front: string) => ({ path, title: path, facts: factsOf(front) });
  const all = [
    meeting('b', 'series: Registrar Meetings\ndate: 2026-11-16\nevery: mon'),
    meeting('a', 'series: registrar meetings\ndate: 2026-11-09\nevery: 2 weeks'),
    meeting('c', 'series: Registrar meetings\ndate: 2026-11-23'),
    meeting('d', 'series: Others\ndate: 2026-11-24'),
    meeting('e', 'series: registrar meetings'),
  ];

  it('has its meetings by their days; names are compared folded', () =>
    expect(meetingsOfSeries(all, 'REGISTRAR meetings').map(({ path }) => path)).toEqual(['a', 'b', 'c', 'e']));

  // Rules as repeats of tasks say them (RFC 5545 where they have a form there).
  it.each([
    ['every: mon', '2026-11-23', '2026-11-30'],
    ['every: every 2 weeks', '2026-11-23', '2026-12-07'],
    ['every: month on the last fri', '2026-11-27', '2026-12-25'],
    ['every: never mind', '2026-11-23', null],
    ['people: [kofi]', '2026-11-23', null],
  ])('%s after %s is next on %s', (front, date, next) => {
    const found = nextOfSeries([meeting('a', `${front}\ndate: ${date}`)]);
    expect(found === null ? null : isoDay(found)).toBe(next);
  });

  it('follows the rule of the latest that bears one', () => {
    const registrar = meetingsOfSeries(all, 'registrar meetings');
    expect(ruleOfSeries(registrar)).toBe('mon');
    expect(nextOfSeries(registrar)).toBe(readIsoDay('2026-11-30'));
  });
});
