import { readNote } from '../../../core/task/reading/read-note';
import { drawnLines } from './drawn-lines';

it('a note is drawn line by line, a gather in one piece, without front matter and blank ends', () => {
  const text = '---\ntags: [a]\n---\n\n## Log\nwords\n\n- [ ] a {high}\n  - b\n> quote\n```gather\nopen\n```\n```\ncode\n```\n\n';
  const drawn = drawnLines(readNote('A.md', text)).map((line) => {
    if (line.is === 'task') return [line.at, line.is, line.task.text, line.depth];
    if (line.is === 'gap') return [line.at, line.is];
    return [line.at, line.is, line.is === 'gather' ? line.text : line.words];
  });
  expect(drawn).toEqual([
    [4, 'heading', 'Log'],
    [5, 'text', 'words'],
    [6, 'gap'],
    [7, 'task', 'a', 0],
    [8, 'item', 'b'],
    [9, 'text', '> quote'],
    [10, 'gather', 'open'],
    [13, 'code', '```'],
    [14, 'code', 'code'],
    [15, 'code', '```'],
  ]);
});
