import { tasksIn } from '../branch';
import { type TaskFields, taskFields } from './task-fields';
import { NOTHING_TO_SAY, type Writer } from './writer';

/** What the first member of the object says, so that it is known again; the version goes up when a reader of the one before could not read it. */
export const JSON_FORMAT = 'recado';
export const JSON_VERSION = 1;

/** A task of a part: its fields, where it stands and what it is a step of. */
export interface JsonTask extends TaskFields {
  note: string;
  /** In its note, from 1. */
  line: number;
  /** The place of the task that it is a step of among the tasks of its part, from 0; null for none. */
  stepOf: number | null;
  heading: readonly string[];
}

/** A note, or what a list holds, whose path is null. */
export interface JsonPart {
  path: string | null;
  title: string;
  /** As it is stored: the whole truth. */
  text: string;
  /** Read from it, for whoever reads the file. */
  tasks: readonly JsonTask[];
}

/**
 * JSON: `{"format": "recado", "version": 1, "written": …, "notes": [{path, title, text, tasks}]}`, described in docs/files.md. The text
 * of a note is all of it; the tasks are what Recado reads in it.
 *
 * @param written the moment of writing, as `2026-11-23 09:20`
 */
export function jsonWriter(written: string): Writer {
  let count = 0;
  return {
    begin: `{"format":"${JSON_FORMAT}","version":${JSON_VERSION},"written":${JSON.stringify(written)},"notes":[\n`,
    part: ({ outline: { path, title, branches }, stored }) => {
      const places = new Map<object, number>();
      const tasks: JsonTask[] = [];
      for (const { branch, task, above } of tasksIn(branches)) {
        places.set(branch, tasks.length);
        const stepOf = above === null ? null : (places.get(above) ?? null);
        tasks.push({ note: branch.path, line: task.line + 1, ...taskFields(task), stepOf, heading: task.headings });
      }
      const part: JsonPart = { path, title, text: stored(), tasks };
      return `${count++ === 0 ? '' : ',\n'}${JSON.stringify(part)}`;
    },
    end: () => '\n]}\n',
    report: NOTHING_TO_SAY,
  };
}
