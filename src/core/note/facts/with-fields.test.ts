import { parse } from 'yaml';
import { quotedYaml, withFields } from './with-fields';

describe('fields of the front matter', () => {
  it.each([
    ['one is added behind the others', '---\nkind: project\n---\nText', { state: 'done' }, '---\nkind: project\nstate: done\n---\nText'],
    ['one is changed in place', '---\nstate: active\nkind: project\n---\n', { state: 'done' }, '---\nstate: done\nkind: project\n---\n'],
    ['one goes', '---\nstate: active\nkind: project\n---\n', { state: null }, '---\nkind: project\n---\n'],
    ['a list goes with its lines', '---\ntags:\n  - a\n- b\nkind: x\n---\n', { tags: '[c]' }, '---\ntags: [c]\nkind: x\n---\n'],
    ['the last, with its lines', '---\nkind: x\ntags:\n  - a\n  - b\n---\nT', { tags: '[c]' }, '---\nkind: x\ntags: [c]\n---\nT'],
    ['a note without front matter gets one', 'Text\n---\nmore\n---\n', { kind: 'x' }, '---\nkind: x\n---\nText\n---\nmore\n---\n'],
    ['ends of lines stay', '---\r\nkind: x\r\n---\r\nText\r\n', { state: 'done' }, '---\r\nkind: x\r\nstate: done\r\n---\r\nText\r\n'],
    ['an empty note', '', { kind: 'x' }, '---\nkind: x\n---\n'],
    ['another field that begins alike', '---\nstated: 1\n---\n', { state: 'done' }, '---\nstated: 1\nstate: done\n---\n'],
    ['a blank line inside stays', '---\na: 1\n\nb: 2\n---\n', { b: '3' }, '---\na: 1\n\nb: 3\n---\n'],
  ])('%s', (_what, text, fields, after) => expect(withFields(text, fields)).toBe(after));

  // Against a reader of YAML 1.2.
  it.each(['plain', 'He said: "no"', 'back \\ slash', '# no comment', '- item', "it's", '@kofi', '>'])(
    'are read as written: %s',
    (words) => {
      expect(parse(`field: ${quotedYaml(words)}`)).toEqual({ field: words });
    },
  );
});
