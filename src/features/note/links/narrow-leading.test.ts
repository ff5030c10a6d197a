import type { LeadingLine } from '../../../core/index/questions/leading';
import { byNote, narrowWords, narrowedLines } from './narrow-leading';

const line = (path: string, number: number, raw: string): LeadingLine => ({
  path,
  noteTitle: path,
  line: number,
  raw,
  heading: null,
  status: null,
  priority: null,
  openSteps: 0,
  places: [],
});
const LINES = [line('a', 1, 'x #loans #Loans'), line('a', 2, 'y'), line('m', 0, '`#code` #loans')];
const kindOf = (path: string): string => (path === 'm' ? 'meeting' : 'note');

it('offers kinds and tags that part the lines, and narrows by one', () => {
  expect(narrowWords(LINES, kindOf)).toEqual([
    { word: '#loans', count: 2 },
    { word: 'note', count: 2 },
    { word: 'meeting', count: 1 },
  ]);
  expect(narrowedLines(LINES, '#loans', kindOf).map(({ path, line: at }) => [path, at])).toEqual([
    ['a', 1],
    ['m', 0],
  ]);
  expect(narrowedLines(LINES, 'meeting', kindOf)).toHaveLength(1);
  expect(narrowedLines(LINES, null, kindOf)).toHaveLength(3);
});

it('puts lines note by note', () => {
  expect(byNote(LINES).map(({ path, lines }) => [path, lines.length])).toEqual([
    ['a', 2],
    ['m', 1],
  ]);
});
