import { landingOf, readLanding } from './landing';

describe('where a new task lands', () => {
  const journal = 'Journal/2026-11-23.md';
  it.each([
    ['Loans#Open', 'Exhibition.md', 'journal', 'Loans#Open'],
    [null, 'Exhibition.md', 'journal', 'Exhibition.md'],
    [null, null, 'journal', journal],
    [null, null, 'Loose.md', 'Loose.md'],
    ['#Lent', 'Exhibition.md', 'journal', 'Exhibition.md#Lent'],
    ['#Lent', null, 'Loose.md', 'Loose.md#Lent'],
  ])('demanded %s, from %s, loose tasks in %s: %s', (demanded, home, loosePlace, place) =>
    expect(landingOf({ demanded, home, loosePlace, journal })).toBe(place),
  );

  it.each([
    ['Loans', { note: 'Loans', heading: null }],
    [' Loans # Open ', { note: 'Loans', heading: 'Open' }],
    ['Loans#Open#2', { note: 'Loans', heading: 'Open#2' }],
    ['Loans#', { note: 'Loans', heading: null }],
    ['#Open', null],
    ['', null],
  ])('%j is %j', (target, place) => expect(readLanding(target)).toEqual(place));
});
