import { ACTION_DEFAULTS } from '../task/acts/action-context';
import { withSlip } from './write-slip';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

function write(text: string | null, heading: string | null, side: 'first' | 'last', made = '', lines = ['- [ ] new']): string {
  const outcome = withSlip(text, { heading, side }, lines, CONTEXT, made);
  return 'refused' in outcome ? outcome.refused : outcome.text;
}

describe('what is written down stands', () => {
  it.each<[string, string | null, string | null, 'first' | 'last', string]>([
    ['in a note that is made', null, null, 'last', '- [ ] new\n'],
    ['under a heading that is made', null, 'Log', 'last', '## Log\n\n- [ ] new\n'],
    [
      'behind what is there',
      '## Log\n- [ ] old\n\n## Plan\n- [ ] a\n',
      'Log',
      'last',
      '## Log\n- [ ] old\n- [ ] new\n\n## Plan\n- [ ] a\n',
    ],
    ['before what is there', '## Log\n\n- [ ] old\n\n## Plan\n', 'Log', 'first', '## Log\n\n- [ ] new\n- [ ] old\n\n## Plan\n'],
    ['before words', '## Log\nwords\n', 'Log', 'first', '## Log\n- [ ] new\n\nwords\n'],
    ['under a heading with nothing under it', '# Log\n## Plan\n', 'log', 'first', '# Log\n\n- [ ] new\n## Plan\n'],
    ['under a heading that is missing', 'words\n', 'Log', 'first', 'words\n\n## Log\n\n- [ ] new\n'],
    ['at the end', 'words\n- [ ] old\n', null, 'last', 'words\n- [ ] old\n- [ ] new\n'],
    ['in an empty note', '', null, 'last', '- [ ] new\n'],
    ['in lines that end as those of the note', '## Log\r\n- [ ] old\r\n', 'Log', 'last', '## Log\r\n- [ ] old\r\n- [ ] new\r\n'],
  ])('%s', (_, text, heading, side, expected) => expect(write(text, heading, side)).toBe(expected));

  it('in a page that is made from a template', () => {
    expect(write(null, 'Log', 'last', '## Routine\n\n- [ ] Wind the clock\n\n## Log\n')).toBe(
      '## Routine\n\n- [ ] Wind the clock\n\n## Log\n- [ ] new\n',
    );
  });

  it('with its steps', () => expect(write('', null, 'last', '', ['- [ ] a', '  - [ ] b'])).toBe('- [ ] a\n  - [ ] b\n'));

  it('nowhere where code is not closed', () => expect(write('```\ncode', null, 'last')).toMatch(/code block/));
});
