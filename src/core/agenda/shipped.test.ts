import { parseGather } from '../gather/language/parse';
import { printGather } from '../gather/saying/print';
import { readNote } from '../task/reading/read-note';
import { SHIPPED_PAGES } from './shipped';

const LISTS = SHIPPED_PAGES.flatMap(({ path, text }) => readNote(path, text).gathers.map((gather) => [path, gather.text] as const));

it.each(LISTS)('a list of %s reads without an error, and means the same when it is printed: %s', (_, text) => {
  const { gather, errors } = parseGather(text);
  expect(errors).toEqual([]);
  expect(parseGather(printGather(gather))).toEqual({ gather, errors: [] });
});

it('each page has a path of its own', () => expect(new Set(SHIPPED_PAGES.map(({ path }) => path)).size).toBe(SHIPPED_PAGES.length));
