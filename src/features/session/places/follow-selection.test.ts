import type { AnswerView, RowView } from '../../../core/index/live/view';
import { followSelection } from './follow-selection';

const row = (line: number, raw: string, path = 'A.md'): RowView =>
  ({ id: `${path}:${line}`, path, line, raw, steps: [] }) as unknown as RowView;
const answer = (...rows: RowView[]): AnswerView => ({ groups: [{ rows }] }) as unknown as AnswerView;
const selected = (...rows: RowView[]) => Object.fromEntries(rows.map((one) => [one.id, one]));

const crate = row(2, '- [ ] Weigh the crate');
const lamp = row(3, '- [ ] Test the lamp {ref k3f9qa}');

describe('what is selected, when the lists change', () => {
  it.each<[string, RowView[], RowView[], RowView[]]>([
    [
      'lines came above: the same tasks stay selected',
      [crate, lamp],
      [row(4, crate.raw), row(5, lamp.raw)],
      [row(4, crate.raw), row(5, lamp.raw)],
    ],
    ['another task stands on the line now: nothing is', [crate], [row(2, '- [ ] Another')], []],
    ['reworded, but known by its ref', [lamp], [row(3, '- [ ] Try the lamp {ref k3f9qa}')], [row(3, '- [ ] Try the lamp {ref k3f9qa}')]],
    ['two are alike now and none stands where it was', [crate], [row(7, crate.raw), row(9, crate.raw)], []],
    ['two are alike, one of them where it was', [crate], [crate, row(9, crate.raw)], [crate]],
    ['it left the list', [crate, lamp], [lamp], [lamp]],
  ])('%s', (_name, before, after, expected) => {
    const next = followSelection(selected(...before), { list: answer(crate, lamp) }, { list: answer(...after) }, ['list']);
    expect(next).toEqual(selected(...expected));
  });

  it('stays the same object when nothing of it moved, and in lists that did not show it', () => {
    const selection = selected(crate);
    expect(followSelection(selection, { list: answer(crate) }, { list: answer(crate, lamp) }, ['list'])).toBe(selection);
    expect(followSelection(selection, { other: answer(lamp) }, { other: answer() }, ['other'])).toBe(selection);
  });

  it('stays in one list when it leaves another', () => {
    const before = { a: answer(crate), b: answer(crate) };
    expect(followSelection(selected(crate), before, { a: answer(), b: answer(crate) }, ['a'])).toEqual(selected(crate));
  });

  it('follows a step inside the row of its task', () => {
    const holder = (step: RowView) => ({ ...row(1, '- [ ] Holder'), steps: [step] });
    const next = followSelection(selected(crate), { list: answer(holder(crate)) }, { list: answer(holder(row(6, crate.raw))) }, ['list']);
    expect(next).toEqual(selected(row(6, crate.raw)));
  });
});
