import type { Row } from '../../../gather/rows/row';

/** The row on a line (from 0) that reads so, or the only one that does; undefined where there is none. */
export function rowOfLine(rows: readonly Row[], line: number, raw: string): Row | undefined {
  const same = rows.filter(({ task }) => task.raw === raw);
  const here = same.findLast(({ task }) => task.line === line);
  return here ?? (new Set(same.map(({ task }) => task.line)).size === 1 ? same[same.length - 1] : undefined);
}
