import { readFileSync } from 'node:fs';
import { type Arguments, dayOption, momentOf, optionOf, readArguments, wordAt } from './arguments';
import { act } from './commands/act';
import { day, kept } from './commands/day';
import { fit } from './commands/fit';
import { carry } from './commands/carry';
import { digest, meetings } from './commands/meeting';
import { find, links } from './commands/find';
import { exported } from './commands/export';
import { imported } from './commands/import';
import { archive, projects, repeats, reviews } from './commands/review';
import { date } from './commands/date';
import { type Question, gather, why } from './commands/gather';
import { next } from './commands/next';
import { scan } from './commands/scan';
import { slip, template } from './commands/slip';
import type { Desk, Desks } from './desk';
import type { Reading } from './library-of';
import { PlainError } from './plain-error';
import { settingsOf } from './settings';
import type { Day } from '../src/core/calendar/day';
import type { DayRange } from '../src/core/calendar/span';

/** Runs one command; gives what `--json` prints, or a promise of it. */
export function run(given: Arguments, desks: Desks): unknown {
  switch (given.command) {
    case 'scan':
      return scan(deskOf(given, desks), momentOf(given).day);
    case 'act': {
      const answer = act(deskOf(given, desks), given, momentOf(given));
      if (given.flags.has('write')) desks.forget();
      return answer;
    }
    case 'gather':
      return gather(deskOf(given, desks), questionOf(given));
    case 'why':
      return why(deskOf(given, desks), optionOf(given, 'at', 'NOTE:LINE'), questionOf(given));
    case 'day':
      return day(deskOf(given, desks), settingsOf(given), momentOf(given).day);
    case 'fit': {
      const { day: today, minute } = momentOf(given);
      return fit(deskOf(given, desks), settingsOf(given), today, given.options.has('now') ? minute : null);
    }
    case 'kept': {
      const today = momentOf(given).day;
      return kept(deskOf(given, desks), settingsOf(given), { ...daysOf(given, today, today), today });
    }
    case 'meetings':
      return meetings(deskOf(given, desks), momentOf(given).day);
    case 'digest':
      return digest(deskOf(given, desks), optionOf(given, 'at', 'NOTE'));
    case 'archive':
      return archived(given, desks);
    case 'projects':
      return projects(deskOf(given, desks), readingOf(given));
    case 'reviews':
      return reviews(deskOf(given, desks));
    case 'repeats': {
      const today = momentOf(given).day;
      const { from, to } = daysOf(given, today - 27, today);
      return repeats(deskOf(given, desks), from, to, today);
    }
    case 'carry':
      return carry(deskOf(given, desks), settingsOf(given), momentOf(given).day);
    case 'find': {
      const [path = '', ...words] = given.words;
      if (words.length === 0) throw new PlainError('find needs words.');
      const desk = desks.open(path, settingsOf(given));
      return find(desk, { ...readingOf(given), words: words.join(' '), tasks: given.flags.has('tasks'), open: given.flags.has('open') });
    }
    case 'links':
      return links(deskOf(given, desks), optionOf(given, 'at', 'NOTE'), readingOf(given));
    case 'template': {
      const at = optionOf(given, 'at', 'NOTE');
      return template(deskOf(given, desks), at, momentOf(given), given.options.get('name'), given.options.get('answers'));
    }
    case 'slip': {
      wordAt(given, 0, 'words');
      const place = given.options.get('in');
      const settings = settingsOf(given);
      const write = given.flags.has('write');
      const desk = place === undefined ? null : desks.open(place, settings);
      const answer = slip(given.words.join(' '), settings, momentOf(given), desk, write);
      if (write) desks.forget();
      return answer;
    }
    case 'next': {
      wordAt(given, 0, 'a repeat');
      const count = Number(given.options.get('count') ?? 5);
      if (!Number.isInteger(count) || count < 1 || count > 10_000) throw new PlainError('--count is a number from 1 to 10000.');
      return next(given.words.join(' '), dayOption(given, 'from') ?? momentOf(given).day, dayOption(given, 'done'), count);
    }
    case 'date': {
      wordAt(given, 0, 'words');
      const { day, minute } = momentOf(given);
      const { firstDayOfWeek, bareDay } = settingsOf(given);
      return date(given.words.join(' '), { today: day, minute, firstDayOfWeek, bareDay });
    }
    case 'export': {
      const settings = settingsOf(given);
      const { day, minute } = momentOf(given);
      return exported(deskOf(given, desks), settings, {
        ...readingOf(given),
        as: given.options.get('as') ?? 'text',
        query: given.options.get('query') ?? null,
        at: given.options.get('at') ?? null,
        now: { day, minute: minute ?? 0 },
      });
    }
    case 'import':
      return imported(wordAt(given, 0, 'a file'), given.options.get('as') ?? 'text', given.options.get('map'));
    case 'batch':
      return batch(wordAt(given, 0, 'a file'), desks);
  }
  throw new PlainError(given.command === '' ? 'Say what to do; --help lists the commands.' : `There is no command “${given.command}”.`);
}

async function archived(given: Arguments, desks: Desks): Promise<unknown> {
  const settings = settingsOf(given);
  const desk = deskOf(given, desks);
  const answer = await archive(desk, { ...questionOf(given), to: given.options.get('to') ?? null }, settings, momentOf(given));
  if (given.flags.has('write')) {
    desk.folder.write(answer.files);
    desks.forget();
  }
  return answer;
}

const deskOf = (given: Arguments, desks: Desks): Desk => desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given));

const MOST_DAYS = 3660;

/** The days that are looked at: those that are said, else a command's own. */
function daysOf(given: Arguments, first: Day, last: Day): DayRange {
  const from = dayOption(given, 'from') ?? first;
  const to = dayOption(given, 'to') ?? last;
  if (to - from > MOST_DAYS) throw new PlainError(`${given.command} looks at ten years at most.`);
  return { from, to };
}

function questionOf(given: Arguments): Question {
  return { query: optionOf(given, 'query', 'TEXT'), ...readingOf(given) };
}

function readingOf(given: Arguments): Reading {
  const { firstDayOfWeek, me, days, notNowTag } = settingsOf(given);
  return { today: momentOf(given).day, firstDayOfWeek, me, days, notNowTag };
}

/** `batch`: the results of a list of commands, one after the other; one that fails gives its message. */
async function batch(file: string, desks: Desks): Promise<unknown[]> {
  let lists: unknown;
  try {
    lists = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    throw new PlainError(`${file} cannot be read as JSON.`);
  }
  if (!Array.isArray(lists)) throw new PlainError(`${file} holds no list of commands.`);
  const results: unknown[] = [];
  for (const list of lists as unknown[]) results.push(await oneOf(list, desks));
  return results;
}

async function oneOf(list: unknown, desks: Desks): Promise<unknown> {
  try {
    if (!Array.isArray(list) || !list.every((word) => typeof word === 'string')) throw new PlainError('A command is a list of words.');
    const given = readArguments(list);
    if (given.command === 'batch') throw new PlainError('A batch cannot hold another.');
    return await run(given, desks);
  } catch (error) {
    return { error: messageOf(error) };
  }
}

/** What a failure says in one line. */
export function messageOf(error: unknown): string {
  return error instanceof PlainError ? error.message : `This failed: ${error instanceof Error ? error.message : String(error)}`;
}
