import type { PrintedFit } from './commands/fit';
import type { FindAnswer } from './commands/find';
import type { Why, WhyNode } from '../src/core/gather/answer/why';
import type { ActAnswer } from './commands/act';
import type { GatherAnswer, GatheredRow } from './commands/gather';
import type { PrintedItem, PrintedKept } from './commands/day';
import type { SpokenAnswer } from './commands/date';
import { landingText } from '../src/core/slip/landing';
import type { SlipAnswer } from './commands/slip';
import type { ArchiveAnswer, PrintedProject, PrintedRepeat, PrintedReview } from './commands/review';
import type { PrintedMeeting } from './commands/meeting';
import type { ScannedTask } from './commands/scan';
import type { ImportAnswer } from './commands/import';

/** A result as a person at a terminal reads it. */
export function printed(command: string, result: unknown): string {
  switch (command) {
    case 'scan':
      return (result as { tasks: ScannedTask[] }).tasks.map(taskLine).join('\n');
    case 'act': {
      const { files, refused } = result as ActAnswer;
      if (refused !== null) return refused;
      return files.length === 0 ? 'Nothing changes.' : files.map(({ note, text }) => `--- ${note}\n${text}`).join('\n');
    }
    case 'gather': {
      const { sentence, total, groups, series = [] } = result as GatherAnswer;
      const lines = groups.flatMap(({ key, count, rows }) => [
        ...(key === null ? [] : [`\n${String(key)} (${count})`]),
        ...rows.flatMap((row) => rowLines(row)),
      ]);
      const drawn = series.flatMap(({ key, values }) => [
        ...(series.length < 2 ? [] : [`\n${key ?? 'none'}`]),
        ...values.map((one) => `${one.key ?? 'none'}  ${one.value}`),
      ]);
      return [sentence, `${total} in all`, ...lines, ...drawn].join('\n');
    }
    case 'why': {
      const { because, tree, changes } = result as Why;
      return [because, ...whyLines(tree, 1), ...changes.map((way) => `To let it in: ${way.join(', and ')}.`)].join('\n');
    }
    case 'next': {
      const { rule, dates } = result as { rule: string | null; dates: string[] };
      return [...(rule === null ? [] : [rule]), ...dates].join('\n');
    }
    case 'date': {
      const { date, week, month, time, role, words } = result as SpokenAnswer;
      const when = [date ?? week ?? month, time].filter((one) => one !== null).join(' ');
      return when === '' ? 'No date is understood.' : `${role ?? ''} ${when}${words === '' ? '' : ` · ${words}`}`;
    }
    case 'day':
      return (result as { items: PrintedItem[] }).items.map(itemLine).join('\n');
    case 'meetings':
      return (result as PrintedMeeting[]).map(meetingLine).join('\n');
    case 'slip': {
      const { line, place } = result as SlipAnswer;
      return `${line}\n→ ${landingText(place)}`;
    }
    case 'archive': {
      const { files, moved } = result as ArchiveAnswer;
      return [`${moved} moved`, ...files.map(({ note, text }) => `--- ${note}\n${text}`)].join('\n');
    }
    case 'import': {
      const { files, report } = result as ImportAnswer;
      return [...report, ...files.map(({ note, text }) => `--- ${note}\n${text}`)].join('\n');
    }
    case 'projects':
      return (result as PrintedProject[])
        .map(({ note, state, open, done, next }) => `${note}  ${state}, ${open} open, ${done} done  ${next ?? 'no next step'}`)
        .join('\n');
    case 'reviews':
      return (result as PrintedReview[])
        .map(
          ({ note, date, minutes, steps, done }) =>
            `${date ?? ''}  ${note}  ${done} of ${steps}${minutes === null ? '' : `, ${minutes} min`}`,
        )
        .join('\n');
    case 'repeats':
      return (result as PrintedRepeat[])
        .map(({ note, line, text, planned, kept }) => `${note}:${line}  ${text}  ${kept} of ${planned}`)
        .join('\n');
    case 'digest':
    case 'template':
      return (result as { text: string }).text;
    case 'carry': {
      const { offered, left } = result as { offered: ScannedTask[]; left: Record<string, number> };
      const counts = Object.entries(left).map(([why, count]) => `${why} ${count}`);
      return [...offered.map(taskLine), `Not offered: ${counts.join(', ')}`].join('\n');
    }
    case 'find': {
      const { notes, tasks } = result as FindAnswer;
      const lines = notes.flatMap(({ note, title, lines: found }) => [
        `${note}  ${title}`,
        ...found.map((one) => `  ${one.line}  ${one.text}`),
      ]);
      return [...lines, ...(tasks.length > 0 ? ['', ...tasks.flatMap((row) => rowLines(row))] : [])].join('\n');
    }
    case 'links': {
      const { linked, named } = result as Record<'linked' | 'named', { note: string; line: number; text: string }[]>;
      const lines = (list: typeof linked): string[] => list.map(({ note, line, text }) => `${note}:${line}  ${text.trim()}`);
      return [...lines(linked), ...(named.length > 0 ? ['', 'Only named:', ...lines(named)] : [])].join('\n');
    }
    case 'fit': {
      const { days, move } = result as PrintedFit;
      const lines = days.filter(({ load }) => load > 0).map(({ day, hours, load }) => `${day}  ${load}m due, ${hours}m there`);
      const moves = move.map(
        ({ note, line, text, due, minutes, alone }) =>
          `${note}:${line}  ${text}  (${due}, ${minutes}m${alone ? ', too long for its days' : ''})`,
      );
      return [...lines, ...(moves.length > 0 ? ['', 'Must move:', ...moves] : [])].join('\n');
    }
    case 'kept':
      return (result as { days: PrintedKept[] }).days
        .map(({ day, planned, kept, excused }) => `${day}  ${excused === null ? `${kept} of ${planned}` : `excused: ${excused}`}`)
        .join('\n');
  }
  return JSON.stringify(result, null, 2);
}

function whyLines(node: WhyNode, depth: number): string[] {
  const found = node.found === null ? '' : `  (${node.found})`;
  return [
    `${'  '.repeat(depth)}${node.holds ? 'holds' : 'fails'}  ${node.condition}${found}`,
    ...node.parts.flatMap((part) => whyLines(part, depth + 1)),
  ];
}

/** A row, and below it the steps that were gathered with it. */
function rowLines(row: GatheredRow, depth = 0): string[] {
  if ('title' in row) return [`${row.note}  ${row.title} (${row.open} open, ${row.done} done)`];
  if (!('status' in row)) return [`${row.note}:${row.line}  ${row.raw.trim()}`];
  return ['  '.repeat(depth) + taskLine(row), ...row.steps.flatMap((step) => rowLines(step, depth + 1))];
}

function itemLine({ note, line, text, kind, start, end, minutes, status }: PrintedItem): string {
  const when = start === null ? '     ' : `${start}${end === null ? '' : `-${end}`}`;
  const length = minutes === null ? 'no length' : `${minutes}m`;
  return `${when}  ${text}  (${status ?? kind}, ${length})  ${line === null ? note : `${note}:${line}`}`;
}

function taskLine(task: ScannedTask): string {
  const problems = task.problems.map((problem) => `\n    ! ${problem.message}`).join('');
  return `${task.note}:${task.line}  ${task.raw.trim()}${problems}`;
}

/** A meeting with what came of it. */
function meetingLine({ note, title, date, start, actions, keyPoints, questions }: PrintedMeeting): string {
  const when = [date ?? 'no day', start].filter((one) => one !== null).join(' ');
  return `${when}  ${title}  ${note}  ${actions.length} actions, ${keyPoints.length} key points, ${questions.length} questions`;
}
