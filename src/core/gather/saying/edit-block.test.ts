import { readNote } from '../../task/reading/read-note';
import { withGather } from './edit-block';

describe('another gather in a block', () => {
  it.each([
    ['words\n```gather\nopen\n```\nmore', 'open', 'late\nlimit 3', 'words\n```gather\nlate\nlimit 3\n```\nmore'],
    ['```gather\r\nopen\r\n```\r\n', 'open', 'late', '```gather\r\nlate\r\n```\r\n'],
    ['~~~ gather\nopen', 'open', 'late', '~~~ gather\nlate'],
    ['> ```gather\n> open\n> ```', 'open', 'late', '> ```gather\n> late\n> ```'],
    ['```gather\n```', '', 'late', '```gather\nlate\n```'],
  ])('%j', (text, before, after, wanted) => {
    const block = readNote('', text).gathers[0]?.text ?? 'none';
    expect(block.trimEnd()).toBe(before);
    expect(withGather(text, block, after)).toBe(wanted);
  });
  it('is refused when no block holds the text', () => expect(withGather('```gather\nopen\n```', 'late', 'x')).toBeNull());
});
