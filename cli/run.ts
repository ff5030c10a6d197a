import { readFileSync } from 'node:fs';
import { type Arguments, dayOption, momentOf, readArguments, wordAt } from './arguments';
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
import type { Desks } from './desk';
import type { Reading } from './library-of';
import { PlainError } from './plain-error';
import { settingsOf } from './settings';

/** Runs one command; gives what `--json` prints, or a promise of it. */
export function run(given: Arguments, desks: Desks): unknown {
  switch (given.command) {
    case 'scan':
      return scan(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), momentOf(given).day);
    case 'act': {
      const answer = act(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), given, momentOf(given));
      if (given.flags.has('write')) desks.forget();
      return answer;
    }
    case 'gather':
      return gather(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), questionOf(given));
    case 'why': {
      const at = given.options.get('at');
      if (at === undefined) throw new PlainError('why needs --at NOTE:LINE.');
      return why(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), at, questionOf(given));
    }
    case 'day':
      return day(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), settingsOf(given), momentOf(given).day);
    case 'fit': {
      const { day: today, minute } = momentOf(given);
      return fit(
        desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)),
        settingsOf(given),
        today,
        given.options.has('now') ? minute : null,
      );
    }
    case 'kept': {
      const today = momentOf(given).day;
      const from = dayOption(given, 'from') ?? today;
      const to = dayOption(given, 'to') ?? today;
      if (to - from > MOST_DAYS) throw new PlainError('kept looks at ten years at most.');
      return kept(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), settingsOf(given), { from, to, today });
    }
    case 'meetings':
      return meetings(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), momentOf(given).day);
    case 'digest': {
      const at = given.options.get('at');
      if (at === undefined) throw new PlainError('digest needs --at NOTE.');
      return digest(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), at);
    }
    case 'archive':
      return archived(given, desks);
    case 'projects':
      return projects(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), readingOf(given));
    case 'reviews':
      return reviews(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)));
    case 'repeats': {
      const today = momentOf(given).day;
      const from = dayOption(given, 'from') ?? today - 27;
      const to = dayOption(given, 'to') ?? today;
      if (to - from > MOST_DAYS) throw new PlainError('repeats looks at ten years at most.');
      return repeats(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), from, to, today);
    }
    case 'carry':
      return carry(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), settingsOf(given), momentOf(given).day);
    case 'find': {
      const [path = '', ...words] = given.words;
      if (words.length === 0) throw new PlainError('find needs words.');
      const desk = desks.open(path, settingsOf(given));
      return find(desk, { ...readingOf(given), words: words.join(' '), tasks: given.flags.has('tasks'), open: given.flags.has('open') });
    }
    case 'links': {
      const at = given.options.get('at');
      if (at === undefined) throw new PlainError('links needs --at NOTE.');
      return links(desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given)), at, readingOf(given));
    }
    case 'template': {
      const at = given.options.get('at');
      if (at === undefined) throw new PlainError('template needs --at NOTE.');
      const desk = desks.open(wordAt(given, 0, 'a file or folder'), settingsOf(given));
      return template(desk, at, momentOf(given), given.options.get('name'), given.options.get('answers'));
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
      return exported(desks.open(wordAt(given, 0, 'a file or folder'), settings), settings, {
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
  const desk = desks.open(wordAt(given, 0, 'a file or folder'), settings);
  const answer = await archive(desk, { ...questionOf(given), to: given.options.get('to') ?? null }, settings, momentOf(given));
  if (given.flags.has('write')) {
    desk.folder.write(answer.files);
    desks.forget();
  }
  return answer;
}

const MOST_DAYS = 3660;

function questionOf(given: Arguments): Question {
  const query = given.options.get('query');
  if (query === undefined) throw new PlainError(`${given.command} needs --query TEXT.`);
  return { query, ...readingOf(given) };
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
