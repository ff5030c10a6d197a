import { foldName } from '../../note/names/names';
import { foldPath } from '../../note/names/path';
import { isOpen } from '../../task/line/status';
import type { Task } from '../../task/line/task';
import type { ActionContext } from '../../task/acts/action-context';
import { type Going, type Pause, readPlace } from '../../task/acts/relocate';
import { type OpenNote, itemOf, tasksUnder } from '../../task/reading/open-note';
import { OpenNotes, type Shelf } from '../../task/reading/open-notes';
import { type LineRef, locateLine } from '../../task/writing/edit';
import { type ArchiveSettings, archivePlace } from './archive-place';

/** What archiving some lines would do. */
export interface ArchivePlan {
  /** The outermost finished items, in the order in which they were given. */
  going: Going[];
  /** Why others stay where they are, and how many of each. */
  left: Record<LeftWhy, number>;
}

/** `open steps`: it is finished, with steps that are not. `open task`: it is a finished step of an open task. `open`: it is not finished. */
export type LeftWhy = 'open steps' | 'open task' | 'open' | 'archived' | 'own archive' | 'gone';

const LEFT_NONE: Record<LeftWhy, number> = { 'open steps': 0, 'open task': 0, open: 0, archived: 0, 'own archive': 0, gone: 0 };

/**
 * What of some lines can be archived, and where each goes: the outermost finished item with all that stands under it. One with open steps
 * is left, and so are finished steps of open tasks.
 *
 * @param to the archive of all of them; null for that of each note, folder or tag, or the yearly one
 */
export async function planArchive(
  shelf: Shelf,
  refs: readonly LineRef[],
  settings: ArchiveSettings,
  context: ActionContext,
  to: string | null = null,
  pause: Pause = () => Promise.resolve(false),
): Promise<ArchivePlan> {
  const notes = new OpenNotes(shelf, context);
  const plan: ArchivePlan = { going: [], left: { ...LEFT_NONE } };
  const taken = new Map<OpenNote, Set<Task>>();
  for (const [count, ref] of refs.entries()) {
    if (count % PORTION === PORTION - 1) await pause(count + 1);
    const opened = notes.open(ref.path);
    const place = opened && locateLine(opened.lines, ref);
    const task = opened && place && 'line' in place ? opened.taskOn.get(place.line) : undefined;
    if (!opened || !task) {
      plan.left.gone++;
      continue;
    }
    const top = outermost(opened, task);
    if (typeof top === 'string') {
      plan.left[top]++;
      continue;
    }
    const known = taken.get(opened) ?? new Set();
    taken.set(opened, known);
    // Its whole item goes already.
    if (known.has(top)) continue;
    known.add(top);
    const { fields } = opened.note.front;
    const tags = [...top.tags, ...top.inheritedTags].map(foldName);
    const where = to ?? archivePlace(opened.path, fields, tags, settings, context.now.day);
    const target = readPlace(shelf, opened.path, where);
    if (target.heading === null && foldPath(target.path ?? '') === foldPath(opened.path)) plan.left['own archive']++;
    else plan.going.push({ ref: { path: opened.path, line: top.line, expected: top.raw }, to: where });
  }
  return plan;
}

/** After so many lines the page may draw, where it wants to. */
const PORTION = 8;

/** The outermost finished task that a task stands in, itself where it stands in none; or why it stays. */
function outermost(opened: OpenNote, task: Task): Task | LeftWhy {
  if (opened.note.kind === 'archive') return 'archived';
  if (isOpen(task.status)) return 'open';
  const { tasks } = opened.note;
  let top = task;
  for (let around = tasks[top.parent]; around; around = tasks[top.parent]) {
    if (isOpen(around.status)) return 'open task';
    top = around;
  }
  return tasksUnder(opened, itemOf(opened, top)).some(({ status }) => isOpen(status)) ? 'open steps' : top;
}
