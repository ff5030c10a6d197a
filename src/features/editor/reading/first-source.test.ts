import { CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { firstSource } from './first-source';

const context = new CompletionContext(EditorState.create({ doc: '@il' }), 3, false);
const says = (label: string): CompletionResult => ({ from: 0, options: [{ label }] });
const labels = async (result: ReturnType<ReturnType<typeof firstSource>>): Promise<string[]> =>
  (await result)?.options.map(({ label }) => label) ?? [];

it.each([
  ['the first that says something', [() => null, () => says('b'), () => says('c')], ['b']],
  ['one that takes its time', [() => null, async () => says('b'), () => says('c')], ['b']],
  ['the next where that has nothing', [async () => null, () => null, async () => says('c')], ['c']],
  ['nobody', [() => null, async () => null], []],
])('heard is %s', async (_what, sources, heard) => {
  expect(await labels(firstSource(sources)(context))).toEqual(heard);
});

it('what can be said at once is', () => {
  expect(firstSource([() => null, () => says('b')])(context)).toEqual(says('b'));
});
