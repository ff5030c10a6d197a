import { readFrontMatter } from '../../note/facts/front-matter';
import { splitLines } from '../../note/blocks/lines';
import { addedStatusOf, statusName, statusNamed, statusTable, withStatus } from './added-status';
import type { AddedStatus } from './status';

const LORRY: AddedStatus = { sign: '>', name: 'On the lorry', means: 'underway', colour: 'teal', icon: null };
const read = (text: string) => addedStatusOf(readFrontMatter(splitLines(text)), 'Title');

describe('a status that a note adds', () => {
  it.each<[string, AddedStatus]>([
    ['a plain one', LORRY],
    ['signs that mean something to YAML', { ...LORRY, sign: '#', name: 'He said: "no" \\ yes', icon: '"' }],
    ['an icon and no colour', { ...LORRY, colour: null, icon: '★' }],
  ])('is read as it was written: %s', (_what, status) => {
    expect(read(withStatus('', status))).toEqual(status);
  });

  it('is changed in place: other fields and the words below stay', () => {
    const text = '---\ntitle: Lorry\nkind: status\nsign: ">"\nicon: "L"\nsort: 3\n---\nUntil it is unloaded.\n';
    expect(withStatus(text, { ...LORRY, sign: '=' })).toBe(
      '---\ntitle: Lorry\nkind: status\nsign: "="\nsort: 3\nname: "On the lorry"\nmeans: underway\ncolour: "teal"\n---\nUntil it is unloaded.\n',
    );
  });

  it('is found by its name, and names the tasks that bear its sign', () => {
    const table = statusTable([LORRY]);
    expect(statusNamed(' on the LORRY ', table)).toBe(LORRY);
    expect(statusNamed('Lost', table)).toBeUndefined();
    expect(statusName('underway', '>', table)).toBe('On the lorry');
    expect(statusName('underway', '_', table)).toBe('Under way');
    expect(statusName('underway', undefined, undefined)).toBe('Under way');
  });
});
