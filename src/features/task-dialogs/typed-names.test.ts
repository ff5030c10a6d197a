import { readNames } from './typed-names';

it.each([
  ['#loans @kofi', ['#loans', '@kofi'], '', ''],
  ['#loans, @kofi; phone', ['#loans', '@kofi', 'phone'], '', ''],
  ['owner @teo', [], '@teo', ''],
  ['#loans Owner teo asked @bea', ['#loans'], 'teo', '@bea'],
  // Without a name behind it the word is a tag of its own.
  ['owner', ['owner'], '', ''],
  ['  ', [], '', ''],
])('%j', (typed, words, owner, asked) => expect(readNames(typed)).toEqual({ words, who: { owner, asked } }));
