import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { readNote } from '../../task/reading/read-note';
import { sentenceText } from '../saying/sentence';
import { loadPatterns } from './pattern';

beforeAll(loadPatterns);

const ROOT = path.resolve(__dirname, '../../../..');
const TODAY = readIsoDay('2026-11-23') ?? 0;

function demo(): Library {
  const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  const files = readdirSync(path.join(ROOT, 'demo'), { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.md'));
  library.apply(files.map((file) => ({ path: file, text: readFileSync(path.join(ROOT, 'demo', file), 'utf8') })));
  return library;
}

const page = readFileSync(path.join(ROOT, 'docs/gather.md'), 'utf8');
const library = demo();

describe('docs/gather.md', () => {
  const blocks = readNote('gather.md', page).gathers.map((gather) => gather.text);
  it.each(blocks)('the example is answered: %j', (text) => {
    const { live, answer } = library.ask(text);
    expect(live.errors).toEqual([]);
    expect(answer.total).toBeGreaterThan(0);
    expect(sentenceText(live.gather, library.contextAt(null))).toMatch(/^(?:Tasks|Notes|Key points) that .*\.$/);
  });

  const conditions = page.slice(page.indexOf('## Conditions'), page.indexOf('Dates: ISO'));
  const written = [...conditions.matchAll(/`([^`]+)`/g)]
    .map((match) => match[1] ?? '')
    .filter((words) => !['not', 'and', 'or'].includes(words));
  it.each(written)('the condition can be asked: %s', (condition) => expect(library.ask(condition).live.errors).toEqual([]));

  it('there are as many examples as the page needs', () => {
    expect(blocks.length).toBeGreaterThan(5);
    expect(written.length).toBeGreaterThan(40);
  });
});
