import { type FilledLine, type OwnSlip, filledSlip } from '../../core/slip/own-slip';
import type { SlipEntry, SlipField } from '../../core/slip/slip-line';
import { type LineOfSlip, slipLines, textOfLines } from '../../core/slip/slip-lines';
import type { ActionContext } from '../../core/task/acts/action-context';

/** What a person filled in so far. */
export interface SlipState {
  typed: string;
  /** Where parts begin that are left as words. */
  left: ReadonlySet<number>;
  fields: Partial<Record<SlipField, string>>;
  /** Where it lands, as typed; null for where it lands by itself. */
  target: string | null;
  /** Answers to the questions of a slip of one's own. */
  answers: Readonly<Record<string, string>>;
}

/** What a slip comes to. */
export interface ReadSlip {
  /** Its tasks; of more than were asked for only the first. */
  lines: readonly LineOfSlip[];
  /** How many lines were typed. */
  count: number;
  /** The words of a first line that may become a small project. */
  project: string | null;
  /** The lines as they will stand in the note. */
  text: readonly string[];
  /** Where a slip of one's own says that it lands. */
  into: string | null;
  wrong: Partial<Record<SlipField, string>>;
}

/** What a slip is read with. */
export interface SlipSurroundings {
  /** The title of the note that one comes from, to which it links; null for no link. */
  link: string | null;
  context: ActionContext;
  /** The tag of what is to be raised with a person. */
  raiseTag: string;
}

/**
 * Reads what was filled in.
 *
 * @param own the slip of one's own that is filled in; null for a plain task
 * @param most how many lines are read
 */
export function readSlip(state: SlipState, own: OwnSlip | null, { link, context, raiseTag }: SlipSurroundings, most = Infinity): ReadSlip {
  const { typed, left, fields, answers } = state;
  const rows = typed.split('\n').filter((row) => row.trim() !== '');
  const entry: SlipEntry = { typed: rows.slice(0, most).join('\n'), left, fields, link };
  if (!own) {
    const { lines, project } = slipLines(entry, context);
    return { lines, count: rows.length, project, text: textOfLines(lines), into: null, wrong: lines[0]?.wrong ?? {} };
  }
  const { day, minute } = context.now;
  const filled = filledSlip(own, rows.join(' '), { day, minute, name: rows[0] ?? '', answers: new Map(Object.entries(answers)), raiseTag });
  const made = filled.lines.map((line, index) => ownLine(line, index === 0 ? entry : { typed: '' }, context));
  const lines = made.flatMap(({ read }) => read ?? []);
  const [top] = filled.lines;
  const isProject = top?.is === 'task' && !/^\S+ \[.\] /u.test(top.typed) && lines.length > 1;
  return {
    lines,
    count: rows.length === 0 ? 0 : lines.length,
    project: isProject ? (lines[0]?.task.text ?? null) : null,
    text: made.map(({ text }) => text),
    into: filled.into,
    wrong: lines[0]?.wrong ?? {},
  };
}

function ownLine(line: FilledLine, entry: SlipEntry, context: ActionContext): { read: LineOfSlip | null; text: string } {
  if (line.is === 'plain') return { read: null, text: line.line };
  const [read] = slipLines({ ...entry, typed: line.typed }, context).lines;
  const depth = Math.ceil(line.indent.length / 2);
  return { read: read ? { ...read, depth } : null, text: line.indent + (read?.line ?? '') };
}
