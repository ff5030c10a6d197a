import type { Part } from './part';

/** Writes a file piece by piece, so that everything can go out without being held whole. */
export interface Writer {
  /** What stands before the first part. */
  begin: string;
  /** A part, in the order in which they come. */
  part: (part: Part) => string;
  /** What stands after the last. */
  end: () => string;
  /** What a person should know of what was written, in plain words. */
  report: () => string[];
}

export const NOTHING_TO_SAY = (): string[] => [];

/** The whole file at once. */
export function written(writer: Writer, parts: readonly Part[]): string {
  return [writer.begin, ...parts.map((part) => writer.part(part)), writer.end()].join('');
}
