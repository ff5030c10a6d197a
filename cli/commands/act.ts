import { randomInt } from 'node:crypto';
import { shelfOf } from '../../src/core/index/live/shelf';
import { lineText } from '../../src/core/note/blocks/lines';
import { renameName } from '../../src/core/note/names/rename-name';
import { actAcross } from '../../src/core/task/acts/act-across';
import type { ActionContext, Moment } from '../../src/core/task/acts/action-context';
import { clauseNameOf } from '../../src/core/task/line/clause';
import type { LineRef } from '../../src/core/task/writing/edit';
import type { OpenSteps, WideIntention } from '../../src/core/task/acts/intention';
import { refMaker } from '../../src/core/task/line/ref';
import { STATUSES, STATUS_NAMES } from '../../src/core/task/line/status';
import { signedName } from '../../src/core/task/acts/word-actions';
import { type Arguments, optionOf, wordAt } from '../arguments';
import { type Desk, noteAt } from '../desk';
import { PlainError } from '../plain-error';

export interface ActAnswer {
  files: { note: string; text: string }[];
  refused: string | null;
}

/** `act`: what an action does to the texts; they are written only with `--write`. */
export function act(desk: Desk, given: Arguments, now: Moment): ActAnswer {
  const action = wordAt(given, 1, 'an action, such as finish');
  const answer =
    action === 'rename' ? rename(desk, wordAt(given, 2, 'a name'), wordAt(given, 3, 'a new name')) : actAt(desk, given, action, now);
  if (given.flags.has('write')) desk.folder.write(answer.files);
  return answer;
}

function actAt(desk: Desk, given: Arguments, action: string, now: Moment): ActAnswer {
  const ref = lineAt(desk, optionOf(given, 'at', 'NOTE:LINE'), given.options.get('expect'));
  const intention = intentionOf(desk, given, action);
  const context: ActionContext = {
    now,
    settings: desk.settings,
    makeRef: refMaker(
      (taken) => desk.refs.has(taken),
      () => randomInt(0, 2 ** 32) / 2 ** 32,
    ),
  };
  const outcome = actAcross(
    shelfOf(desk.folder.notes, (note) => desk.folder.isElse(note)),
    ref,
    intention,
    context,
  );
  if ('refused' in outcome) return { files: [], refused: outcome.refused };
  // What is taken out of a note is written elsewhere before it goes there.
  const files = outcome.files.map(({ path, text }) => ({ note: path, text }));
  return { files: files.sort((a, b) => Number(a.note === ref.path) - Number(b.note === ref.path)), refused: null };
}

/** `Loans.md:12`, `Loans:12`; the line's words are those that are expected, else those that stand there. */
function lineAt(desk: Desk, at: string, expect: string | undefined): LineRef {
  const [, name = '', digits] = /^(.*?):?(\d+)$/.exec(at) ?? [];
  const note = digits === undefined ? null : noteAt(desk, name);
  if (!note) throw new PlainError(`--at is “${at}”; there is no such note. A place looks like Loans.md:12.`);
  const line = Number(digits) - 1;
  if (expect === undefined && (line < 0 || line >= note.lines.starts.length)) throw new PlainError(`${note.path} has no line ${digits}.`);
  return { path: note.path, line, expected: expect ?? lineText(note.lines, line) };
}

function rename(desk: Desk, before: string, after: string): ActAnswer {
  const from = signedName(before);
  const sign = from?.charAt(0) ?? '#';
  const to = signedName(/^[#@]/.test(after) ? after : sign + after);
  if (from === null || to === null || to.charAt(0) !== sign) return { files: [], refused: `“${before}” cannot be renamed to “${after}”.` };
  const files = desk.folder.notes.flatMap((note) => {
    const { text, places } = renameName(note.text, from, to);
    return places > 0 ? [{ note: note.path, text }] : [];
  });
  return { files, refused: files.length > 0 ? null : `${from} is named nowhere, so nothing was changed.` };
}

const STEPS: readonly OpenSteps[] = ['leave', 'close', 'out'];

function stepsOf(given: Arguments): OpenSteps | undefined {
  const steps = given.options.get('steps');
  if (steps === undefined) return undefined;
  const found = STEPS.find((one) => one === steps);
  if (!found) throw new PlainError(`--steps is “${steps}”; it is leave, close or out.`);
  return found;
}

function intentionOf(desk: Desk, given: Arguments, action: string): WideIntention {
  const rest = (what: string): string => {
    wordAt(given, 2, what);
    return given.words.slice(2).join(' ');
  };
  const remark = given.options.get('remark');
  const steps = stepsOf(given);
  const closing = { ...(remark !== undefined && { remark }), ...(steps !== undefined && { steps }) };
  switch (action) {
    case 'finish':
      return { do: 'status', status: 'done', ...closing };
    case 'cancel':
      return { do: 'status', status: 'cancelled', ...closing };
    case 'end':
      return { do: 'end', ...(remark !== undefined && { remark }) };
    case 'reopen':
      return { do: 'status', status: 'todo' };
    case 'status':
      return { ...statusOf(desk, rest('a status')), ...closing };
    case 'cycle':
    case 'raise':
    case 'lower':
    case 'convert':
    case 'duplicate':
    case 'sink':
    case 'sweep':
    case 'ref':
      return { do: action };
    case 'reset': {
      const dates = given.options.get('dates') ?? given.words[2] ?? 'keep';
      if (dates !== 'keep' && dates !== 'clear') throw new PlainError(`reset keeps or clears dates: “${dates}” is neither keep nor clear.`);
      return { do: 'reset', dates };
    }
    case 'swap': {
      const other = lineAt(desk, rest('the other place'), undefined);
      return { do: 'swap', with: other };
    }
    case 'tag':
    case 'untag':
      return { do: action, name: rest('a name') };
    case 'reword':
      return { do: 'reword', text: rest('words') };
    case 'echo':
      return { do: 'echo', in: rest('a note') };
    case 'set':
      return { do: 'set', clause: rest('a clause') };
    case 'unset': {
      const word = rest('a clause');
      const clause = word === 'priority' ? 'priority' : clauseNameOf(word);
      if (clause === null) throw new PlainError(`“${word}” is no clause.`);
      return { do: 'unset', clause };
    }
    case 'push':
      return { do: 'push', to: rest('a day') };
    case 'rest':
      return { do: 'rest', until: rest('a day') };
    case 'archive':
      return { do: 'archive', to: rest('a note') };
    case 'move':
      return { do: 'move', to: rest('a note') };
  }
  throw new PlainError(`There is no action “${action}”.`);
}

function statusOf(desk: Desk, name: string): Extract<WideIntention, { do: 'status' }> {
  const folded = name.toLowerCase().replace(/\s/g, '');
  const status = STATUSES.find((one) => one === folded || STATUS_NAMES[one].toLowerCase().replace(/\s/g, '') === folded);
  if (status) return { do: 'status', status };
  const added = [...(desk.settings.statuses?.values() ?? [])].find(
    (one) => one.sign === name || one.name.toLowerCase() === name.toLowerCase(),
  );
  if (!added) throw new PlainError(`There is no status “${name}”.`);
  return { do: 'status', status: added.means, sign: added.sign };
}
