import { ACTION_DEFAULTS } from '../task/acts/action-context';
import { statusTable } from '../task/line/added-status';
import { dayAsked, pastDays, slipLine } from './slip-line';
import { slipLines, textOfLines } from './slip-lines';

/** A Monday, 09:14. */
const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const MADE = 'made 2026-11-23 09:14';

describe('the line of a slip', () => {
  it.each([
    ['Ring @lars tomorrow 15:00 high 20m', `- [ ] Ring @lars {plan 2026-11-24 15:00; high; takes 20m; ${MADE}}`],
    ['ring lars', `- [ ] ring lars {${MADE}}`],
    ['🦀', `- [ ] 🦀 {${MADE}}`],
    ['waiting for @lars the rider', `- [:] @lars the rider {since 2026-11-23 09:14; ${MADE}}`],
    // What is a Markdown line already keeps its box and tail.
    ['- [_] read the log {due fri; high}', `- [_] read the log {due 2026-11-27; high; since 2026-11-23 09:14; ${MADE}}`],
    ['* [x] read the log', `- [x] read the log {${MADE}; done 2026-11-23 09:14}`],
    ['- read the log fri', `- [ ] read the log {plan 2026-11-27; ${MADE}}`],
    ['1. read the log', `- [ ] read the log {${MADE}}`],
    ['read the log {high} fri', `- [ ] read the log {high; plan 2026-11-27; ${MADE}}`],
    ['- [ ] read the log fri {plan 2026-12-01}', `- [ ] read the log {plan 2026-11-27; ${MADE}}`],
  ])('%s', (typed, line) => expect(slipLine({ typed }, CONTEXT).line).toBe(line));

  it('knows the statuses that notes add by their names', () => {
    const lorry = { sign: '>', name: 'On the lorry', means: 'underway', colour: null, icon: null } as const;
    const context = { ...CONTEXT, settings: { ...ACTION_DEFAULTS, statuses: statusTable([lorry]) } };
    const { line, wrong } = slipLine({ typed: 'ramps', fields: { status: 'on the LORRY' } }, context);
    expect([line, wrong]).toEqual([`- [>] ramps {since 2026-11-23 09:14; ${MADE}}`, {}]);
    expect(slipLine({ typed: 'ramps', fields: { status: 'on the lorry' } }, CONTEXT).wrong).toHaveProperty('status');
  });

  it('leaves the parts as words that one wants left', () => {
    expect(slipLine({ typed: 'read the log fri high', left: new Set([13]) }, CONTEXT).line).toBe(`- [ ] read the log fri {high; ${MADE}}`);
    expect(slipLine({ typed: 'waiting for @lars', left: new Set([0]) }, CONTEXT).line).toBe(`- [ ] waiting for @lars {${MADE}}`);
  });

  it.each<[string, Record<string, string>, string]>([
    ['a field goes before the words', { due: 'mon', priority: 'low' }, `read {plan 2026-11-27; low; due 2026-11-23; ${MADE}}`],
    ['and takes away what they say', { plan: 'none', priority: 'normal' }, `read {${MADE}}`],
    [
      'names are added once',
      { tags: '#Texts, loans', people: 'ilse @kofi' },
      `read #Texts #loans @ilse @kofi {plan 2026-11-27; high; ${MADE}}`,
    ],
    ['takes and owner', { takes: '2 hours', owner: 'kofi' }, `read {plan 2026-11-27; high; takes 2h; owner @kofi; ${MADE}}`],
    ['a repeat', { every: 'every fri' }, `read {plan 2026-11-27; high; every fri; ${MADE}}`],
    ['a start', { start: 'tomorrow' }, `read {plan 2026-11-27; high; start 2026-11-24; ${MADE}}`],
  ])('%s', (_, fields, line) => expect(slipLine({ typed: 'read fri high', fields }, CONTEXT).line).toBe(`- [ ] ${line}`));

  it('says which field cannot be read, and stores the rest', () => {
    const { wrong, line } = slipLine({ typed: 'read', fields: { due: 'soon', status: 'odd', priority: 'high' } }, CONTEXT);
    expect(Object.keys(wrong)).toEqual(['status', 'due']);
    expect(line).toBe(`- [ ] read {high; ${MADE}}`);
  });

  it('knows which of its days are past, and when it is first asked for', () => {
    const { task } = slipLine({ typed: 'read yesterday by fri' }, CONTEXT);
    expect([pastDays(task, 20780), dayAsked(task)]).toEqual([['plan'], 20779]);
    expect(pastDays(slipLine({ typed: 'read this week' }, CONTEXT).task, 20780)).toEqual([]);
    expect(dayAsked(slipLine({ typed: 'read' }, CONTEXT).task)).toBeNull();
  });
});

describe('several lines', () => {
  const lines = (typed: string): string[] =>
    textOfLines(slipLines({ typed }, CONTEXT).lines).map((line) => line.replace(`; ${MADE}`, '').replace(` {${MADE}}`, ''));
  it.each<[string, string, string[]]>([
    ['are several tasks', 'read the log fri\nring @lars\n\n', ['- [ ] read the log {plan 2026-11-27}', '- [ ] ring @lars']],
    [
      'indented ones are steps',
      'move the store\n  pack\n    wrap the glass\n  carry\nring @lars',
      ['- [ ] move the store', '  - [ ] pack', '    - [ ] wrap the glass', '  - [ ] carry', '- [ ] ring @lars'],
    ],
    ['by tabs too', 'move\n\tpack\n\t\twrap', ['- [ ] move', '  - [ ] pack', '    - [ ] wrap']],
    [
      'boxes under a line without one are its steps',
      'move the store\n- [ ] pack\n- [x] carry',
      ['- [ ] move the store', '  - [ ] pack', `  - [x] carry {${MADE}; done 2026-11-23 09:14}`],
    ],
    ['all with boxes are tasks', '- [ ] pack\n- [ ] carry', ['- [ ] pack', '- [ ] carry']],
    ['a first one that is indented is none the less at the top', '  pack\ncarry', ['- [ ] pack', '- [ ] carry']],
  ])('%s', (_, typed, expected) => expect(lines(typed)).toEqual(expected));

  it('a first line without a box with steps under it may become a project', () => {
    const project = (typed: string) => slipLines({ typed }, CONTEXT).project;
    expect(project('move the store by fri\n  pack')).toBe('move the store');
    expect(project('move\n- [ ] pack')).toBe('move');
    expect(project('- [ ] move\n  - [ ] pack')).toBeNull();
    expect(project('move\npack')).toBeNull();
    expect(project('move')).toBeNull();
  });

  it('ten thousand of them are read within reason', () => {
    const read = slipLines({ typed: Array.from({ length: 10_000 }, (_, index) => `crate ${index} fri`).join('\n') }, CONTEXT);
    expect(read.lines).toHaveLength(10_000);
  });
});
