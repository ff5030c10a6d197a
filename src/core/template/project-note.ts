import type { ActionContext } from '../task/acts/action-context';
import { storedValue } from '../task/line/clause-value';
import { openNote } from '../task/reading/open-note';
import { applyChanges } from '../task/writing/edit';
import { placeUnder } from '../task/writing/place-lines';
import { noteFrom } from './from-template';
import { escapedYaml } from '../note/facts/with-fields';

/** What is said of a project when it is made. */
export interface ProjectSaid {
  title: string;
  /** What is true when it is done. */
  outcome: string;
  /** By when, in words or ISO; what cannot be read stays as it was typed. */
  deadline: string;
  /** Its first tasks, as lines. */
  steps: readonly string[];
}

const PLAIN = '---\nkind: template\nfor: project\noutcome: "{{question: outcome}}"\ndue: "{{question: deadline}}"\n---\n';

/** The text of a new project note: from its template, or with outcome and due day alone; its tasks behind that. */
export function projectNote(template: string | null, { title, outcome, deadline, steps }: ProjectSaid, context: ActionContext): string {
  const due = deadline.trim() === '' ? '' : (storedValue('due', deadline.trim().toLowerCase(), context) ?? deadline.trim());
  const answers = new Map([
    ['outcome', escapedYaml(outcome.trim())],
    ['deadline', escapedYaml(due)],
  ]);
  const { day, minute } = context.now;
  const { text } = noteFrom(template ?? PLAIN, { day, minute, name: title, answers });
  // A key that was not answered is left out.
  const made = text.replace(/^(?:outcome|due):[ \t]*(?:"")?[ \t]*\n/gm, '');
  if (steps.length === 0) return made;
  const opened = openNote('', made, context.settings);
  const refusal = placeUnder(opened, [], steps);
  return refusal ? `${made}\n${steps.join('\n')}\n` : applyChanges(made, opened.edits.changes());
}
