import { insertedFrom, kindMadeBy, noteFrom, templateFor } from './from-template';

const VALUES = { day: 20780, minute: 554, name: 'Storage move', answers: new Map([['deadline', '2026-12-18']]) };

describe('a note made from a template', () => {
  it.each<[string, string, string, string[]]>([
    [
      'gets the kind that it makes',
      '---\nkind: template\nfor: project\ndue: {{question: deadline}}\n---\n# {{name}}\n',
      '---\nkind: project\ndue: 2026-12-18\n---\n# Storage move\n',
      [],
    ],
    ['keeps other keys and comments', '---\nkind: template\n# ours\ntags: [a]\n---\nx', '---\n# ours\ntags: [a]\n---\nx', []],
    ['has no front matter where nothing is left of it', '---\nkind: template\nfor: journal\n---\n## Log\n', '## Log\n', []],
    [
      'asks what has no answer',
      '---\nkind: template\n---\n{{question: who}} {{question: deadline}}',
      '{{question: who}} 2026-12-18',
      ['who'],
    ],
    ['may have no front matter at all', '{{day + 1}}', '2026-11-24', []],
    ['keeps what it does not know', '---\nkind: template\n---\n{{include: me}} {{name}}', '{{include: me}} Storage move', []],
    ['fills gathers in too', '---\nkind: template\n---\n```gather\ndue = {{day}}\n```', '```gather\ndue = 2026-11-23\n```', []],
  ])('%s', (_, template, text, questions) => expect(noteFrom(template, VALUES)).toEqual({ text, questions }));

  it('which is put into another has no front matter', () =>
    expect(insertedFrom('---\nkind: template\nfor: meeting\n---\n- [ ] {{name}}\n', VALUES)).toEqual({
      text: '- [ ] Storage move\n',
      questions: [],
    }));
});

it('the template of a kind is the first that makes it', () => {
  const templates = ['meeting', 'project', 'Project'].map((kind, index) => ({
    path: `${3 - index}.md`,
    text: `---\nkind: template\nfor: ${kind}\n---\n`,
  }));
  expect(templateFor('project', templates)?.path).toBe('1.md');
  expect(templateFor('person', templates)).toBeNull();
  expect(kindMadeBy('words')).toBeNull();
});
