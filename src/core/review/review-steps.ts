import type { ReadNote } from '../task/reading/read-note';
import { isOpen } from '../task/line/status';
import type { Task } from '../task/line/task';

/** A step of a review, and what it opens. */
export interface ReviewStep {
  /** From 0. */
  line: number;
  raw: string;
  /** Its words, with what a link shows in the place of the link. */
  words: string;
  open: boolean;
  opens: { is: 'note'; target: string } | { is: 'page'; address: string } | { is: 'gather'; text: string } | null;
}

/**
 * The steps of a review, in their order: what stands under its one outermost task, or all outermost tasks where there are several. A step
 * opens the first note that it links to, a page of the program (`[words](/days)`), or the gather that stands under it.
 */
export function reviewSteps(note: ReadNote): ReviewStep[] {
  const tops = note.tasks.filter(({ parent }) => parent === -1);
  const [only] = tops;
  const inside = tops.length === 1 && only ? note.tasks.filter(({ parent }) => note.tasks[parent] === only) : [];
  return (inside.length > 0 ? inside : tops)
    .filter(({ status }) => status !== 'cancelled')
    .map((task) => ({ line: task.line, raw: task.raw, words: wordsOf(task.text), open: isOpen(task.status), opens: openedBy(note, task) }));
}

/** The task that holds all steps of a review; null where they stand apart. */
export function wholeReview(note: ReadNote): Task | null {
  const tops = note.tasks.filter(({ parent }) => parent === -1);
  const [only] = tops;
  return tops.length === 1 && only && note.tasks.some(({ parent }) => note.tasks[parent] === only) ? only : null;
}

const PAGE = /\[([^\]]*)\]\((\/[^\s)]*)\)/;

function openedBy(note: ReadNote, task: Task): ReviewStep['opens'] {
  const [link] = task.links;
  if (link) return { is: 'note', target: link.target };
  const page = PAGE.exec(task.text)?.[2];
  if (page !== undefined) return { is: 'page', address: page };
  const item = note.structure.items[task.item];
  const gather = item && note.gathers.find(({ line }) => line > item.line && line <= item.lastLine);
  return gather ? { is: 'gather', text: gather.text } : null;
}

/** What a person reads of a step. */
const wordsOf = (text: string): string =>
  text
    .replace(new RegExp(PAGE.source, 'g'), '$1')
    .replace(/\[\[(?:[^\]|]*\|)?([^\]|]*)\]\]/g, (_, shown: string) => shown.replace(/^.*\//, ''));

/** What a person wrote into a review beside its steps: lines that are no headings, lists or blocks. */
export function remarksOf(note: ReadNote): string[] {
  const { items, headings, fences } = note.structure;
  const isInside = (line: number): boolean =>
    items.some((item) => item.line <= line && line <= item.lastLine) ||
    fences.some((fence) => fence.line <= line && line <= fence.lastLine) ||
    headings.some((heading) => heading.line <= line && line <= heading.lastLine);
  const remarks: string[] = [];
  for (let line = note.front.lineCount; line < note.lines.starts.length; line++) {
    const words = note.lines.text.slice(note.lines.starts[line], note.lines.ends[line]).trim();
    if (words !== '' && !isInside(line)) remarks.push(words);
  }
  return remarks;
}
