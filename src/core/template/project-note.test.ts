import { ACTION_DEFAULTS } from '../task/acts/action-context';
import { readNote } from '../task/reading/read-note';
import { projectNote } from './project-note';

const CONTEXT = { now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const SAID = { title: 'Storage move', outcome: 'All dry', deadline: '18 dec', steps: ['- [ ] pack'] };

describe('a new project note', () => {
  it('says what is true when it is done and by when, with its first tasks', () =>
    expect(projectNote(null, SAID, CONTEXT)).toBe('---\nkind: project\noutcome: "All dry"\ndue: "2026-12-18"\n---\n\n- [ ] pack\n'));

  it('leaves out what was not said', () =>
    expect(projectNote(null, { ...SAID, outcome: ' ', deadline: '', steps: [] }, CONTEXT)).toBe('---\nkind: project\n---\n'));

  it('keeps words that are no date, and signs of YAML', () => {
    const text = projectNote(null, { ...SAID, outcome: 'He said "dry": \\ all of it', deadline: 'some day' }, CONTEXT);
    expect(readNote('A.md', text).front.fields).toMatchObject({ outcome: 'He said "dry": \\ all of it', due: 'some day' });
  });

  it('follows its template', () => {
    const template = '---\nkind: template\nfor: project\noutcome: "{{question: outcome}}"\n---\n# {{name}}\n\n## Next\n';
    expect(projectNote(template, SAID, CONTEXT)).toBe(
      '---\nkind: project\noutcome: "All dry"\n---\n# Storage move\n\n## Next\n- [ ] pack\n',
    );
  });
});
