import { type EditorState, type Range, RangeSet, StateEffect, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView } from '@codemirror/view';
import { foldName } from '../core/note/names/names';
import { noteNow } from '../features/editor/reading/note-field';

/** Shows only what bears a tag, with what it stands in; null shows all. */
export const narrowed = StateEffect.define<string | null>();

interface Narrow {
  tag: string | null;
  lines: DecorationSet;
}

const hidden = Decoration.replace({ block: true });

/** Lines that do not bear the tag that is chosen are out of sight. */
export const narrowLines = StateField.define<Narrow>({
  create: () => ({ tag: null, lines: Decoration.none }),
  update(narrow, { state, docChanged, effects }) {
    let { tag } = narrow;
    for (const effect of effects) if (effect.is(narrowed)) tag = effect.value;
    if (tag === narrow.tag && !docChanged) return narrow;
    return { tag, lines: tag === null ? Decoration.none : linesWithout(state, tag) };
  },
  provide: (self) => EditorView.decorations.from(self, ({ lines }) => lines),
});

function linesWithout(state: EditorState, tag: string): DecorationSet {
  const { tasks, structure } = noteNow(state);
  const shown = new Set<number>();
  const wanted = foldName(tag);
  for (const task of tasks) {
    if (![...task.tags, ...task.around.tags].some((one) => foldName(one) === wanted)) continue;
    const item = structure.items[task.item];
    for (let line = task.line; line <= (item?.lastLine ?? task.line); line++) shown.add(line);
    // What it stands in shows where it belongs.
    for (let up = item && structure.items[item.parent]; up; up = structure.items[up.parent]) shown.add(up.line);
    for (const heading of headingsOver(structure.headings, task.line)) shown.add(heading);
  }
  const ranges: Range<Decoration>[] = [];
  for (let line = 0; line < state.doc.lines; line++) {
    if (shown.has(line)) continue;
    let last = line;
    while (last + 1 < state.doc.lines && !shown.has(last + 1)) last++;
    ranges.push(hidden.range(state.doc.line(line + 1).from, state.doc.line(last + 1).to));
    line = last;
  }
  return RangeSet.of(ranges);
}

/** The headings that hold a line, the nearest first. */
function headingsOver(headings: readonly { line: number; level: number; topLevel: boolean }[], at: number): number[] {
  const found: number[] = [];
  let level = 7;
  for (const heading of headings.toReversed()) {
    if (!heading.topLevel || heading.line > at || heading.level >= level) continue;
    level = heading.level;
    found.push(heading.line);
  }
  return found;
}

/** The tags that the text names, the most used first. */
export function tagsIn(state: EditorState): string[] {
  const counts = new Map<string, number>();
  for (const { tags, around } of noteNow(state).tasks)
    for (const tag of [...tags, ...around.tags]) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts].sort(([one, a], [other, b]) => b - a || one.localeCompare(other)).map(([tag]) => tag);
}
