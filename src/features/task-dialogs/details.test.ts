import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/acts/action-context';
import { act } from '../../core/task/acts/act';
import { applyChanges } from '../../core/task/writing/edit';
import type { Intention } from '../../core/task/acts/intention';
import { type TaskDetails, detailsOf, intentionsFor } from './details';

const context: ActionContext = { now: { day: 20780, minute: null }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };

function changed(line: string, change: (details: TaskDetails) => void): string {
  const before = detailsOf(line);
  const after = detailsOf(line);
  if (!before || !after) return 'no task';
  change(after);
  return intentionsFor(before, after).reduce((text, intention) => {
    const outcome = act(text, { line: 0, expected: text.split('\n')[0] ?? '' }, intention as Intention, context);
    return 'refused' in outcome ? outcome.refused : applyChanges(text, outcome.changes);
  }, line);
}

describe('the details of a task', () => {
  it('are what its line says', () => {
    expect(detailsOf('- [:] Ask @ilse #loans {due 2026-11-27 15:00; high; owner @kofi; every mon, thu}')).toMatchObject({
      text: 'Ask @ilse #loans',
      status: 'waiting',
      sign: null,
      priority: 'high',
      clauses: { due: '2026-11-27 15:00', owner: '@kofi', every: 'mon, thu', plan: '' },
    });
    expect(detailsOf('- plain')).toBeNull();
  });

  it.each<[string, (details: TaskDetails) => void, string]>([
    ['- [ ] a {due 2026-11-27}', () => undefined, '- [ ] a {due 2026-11-27}'],
    ['- [ ] a {due 2026-11-27}', (one) => (one.clauses.due = 'tomorrow 15:00'), '- [ ] a {due 2026-11-24 15:00}'],
    ['- [ ] a {due 2026-11-27}', (one) => (one.clauses.due = ''), '- [ ] a'],
    ['- [ ] a', (one) => (one.clauses.owner = 'kofi'), '- [ ] a {owner @kofi}'],
    ['- [ ] a', (one) => (one.text = 'b #x'), '- [ ] b #x'],
    ['- [ ] a', (one) => ((one.clauses.every = 'fri'), (one.clauses.due = 'fri')), '- [ ] a {due 2026-11-27; every fri}'],
    ['- [ ] a {high}', (one) => (one.priority = 'normal'), '- [ ] a'],
    ['- [ ] a', (one) => ((one.status = 'done'), (one.clauses.takes = '30m')), '- [x] a {takes 30m; done 2026-11-23}'],
  ])('%s', (line, change, wanted) => expect(changed(line, change)).toBe(wanted));
});
