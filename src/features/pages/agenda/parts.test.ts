import { readNote } from '../../../core/task/reading/read-note';
import { agendaParts } from './parts';

it('an agenda page is its words and, between them, its gathers in order', () => {
  const text =
    '---\nkind: agenda\n---\nFirst words.\n\n```gather\nlate\n```\n\n```gather\nopen\n```\n## Then\n- a list\n```gather\ndone\n```\nlast';
  expect(
    agendaParts(readNote('A.md', text)).map((part) =>
      part.is === 'prose' ? part.text : [part.first, ...part.gathers.map((one) => one.trim())],
    ),
  ).toEqual(['First words.', [0, 'late', 'open'], '## Then\n- a list', [2, 'done'], 'last']);
});
