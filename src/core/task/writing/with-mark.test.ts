import { asTask, withMark, withOwnerNamed, withTag } from './with-mark';

describe('marking the line that is written', () => {
  it.each([
    ['Six crates fit', 'key', '- Six crates fit {key}'],
    ['- Six crates fit', 'key', '- Six crates fit {key}'],
    ['- Six crates fit {key}', 'key', '- Six crates fit'],
    ['  - measured twice', 'key', '  - measured twice {key}'],
    ['- [ ] Ask him {due 2026-11-25}', 'key', '- [ ] Ask him {due 2026-11-25; key}'],
    ['1. first', 'key', '1. first {key}'],
    ['> - said', 'key', '> - said {key}'],
    ['Who signs?', 'question', '- [ ] Who signs? {question}'],
    ['- Who signs?', 'question', '- [ ] Who signs? {question}'],
    ['- [x] Who signs? {question; done 2026-11-23}', 'question', '- [x] Who signs? {done 2026-11-23}'],
    ['- Who signs? {key}', 'question', '- [ ] Who signs? {key; question}'],
    ['   ', 'key', null],
  ] as const)('%j as %s: %j', (line, mark, after) => expect(withMark(line, mark)).toBe(after));

  it.each([
    ['- Ask the carpenter @teo', '- [ ] Ask the carpenter @teo {owner @teo}'],
    ['@kofi signs, @bea knows', '- [ ] @kofi signs, @bea knows {owner @kofi}'],
    ['- [ ] Sign {due 2026-11-25; owner @bea} ', null],
    ['- [ ] Sign @teo {owner @bea}', '- [ ] Sign @teo {owner @teo}'],
    ['- mail a@b.de', null],
  ])('%j as a task of who is named: %j', (line, after) => {
    const made = withOwnerNamed(line);
    if (after === null && line.includes('owner')) expect(made).toContain('{due 2026-11-25; owner @bea}');
    else expect(made).toBe(after);
  });

  it.each([
    ['- Second signature @kofi', '- [ ] Second signature @kofi #raise'],
    ['- [ ] Budget @bea {due 2026-11-27}', '- [ ] Budget @bea #raise {due 2026-11-27}'],
    ['- [ ] Budget #raise', '- [ ] Budget #raise'],
    ['- [ ] Budget #raised', '- [ ] Budget #raised #raise'],
    ['Budget', '- [ ] Budget #raise'],
  ])('%j to be raised: %j', (line, after) => expect(withTag(line, 'raise')).toBe(after));

  it('a task stays one', () => expect(['a', '- b', '- [ ] c', '  d'].map(asTask)).toEqual(['- [ ] a', '- [ ] b', '- [ ] c', '  - [ ] d']));
});
