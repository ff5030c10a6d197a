import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { type Day, readIsoDay } from '../../../core/calendar/day';
import { addressesIn, namedAddressesIn, taskLinksIn } from '../../../core/note/names/addresses';
import { readInline } from '../../../core/note/names/names';
import { type FollowTarget, editorContext } from './editor-context';

const ISO_DAY = /(?<![\d-])\d{4}-\d{2}-\d{2}(?![\d-])/g;

/** Days in a line, written as ISO 8601 has them, and where they stand. */
export function daysIn(text: string): { day: Day; from: number; to: number }[] {
  return [...text.matchAll(ISO_DAY)].flatMap((found) => {
    const day = readIsoDay(found[0]);
    return day === null ? [] : [{ day, from: found.index, to: found.index + found[0].length }];
  });
}

/** What stands at a column of a line that leads somewhere: a name, a link, an address or a date; null for other words. */
export function targetAt(text: string, column: number): FollowTarget | null {
  const holds = ({ from, to }: { from: number; to: number }): boolean => from <= column && column <= to;
  const { names, links } = readInline(text, 0, text.length);
  const link = links.find(holds);
  if (link) return { is: 'note', name: link.target, heading: link.heading };
  const url = (namedAddressesIn(text).find(holds) ?? addressesIn(text).find(holds))?.url;
  if (url !== undefined) return { is: 'address', url };
  const task = taskLinksIn(text).find(holds);
  if (task) return { is: 'task', ref: task.ref };
  const name = names.find(holds);
  if (name) return { is: name.kind, name: name.name };
  const found = daysIn(text).find(holds);
  return found ? { is: 'day', day: found.day } : null;
}

/** Goes where the name, link or address at a place of the text leads; whether one stands there. */
export function followAt(view: EditorView, place: number): boolean {
  const line = view.state.doc.lineAt(place);
  const target = targetAt(line.text, place - line.from);
  if (target) view.state.facet(editorContext).follow(target);
  return target !== null;
}

/** How far a click may move and be one, in pixels. */
const STILL = 4;

/**
 * A click on a tag, person, link or address goes there: with Ctrl (⌘ on a Mac) always, without where the cursor is on another line; on
 * the line that is being written it puts the cursor into the words.
 */
export function followNames(): Extension {
  let pressed: { x: number; y: number; place: number } | null = null;
  const placeOf = (event: MouseEvent, view: EditorView): number | null =>
    event.target instanceof HTMLElement && event.target.closest('.cm-url, .cm-name, .cm-day') ? view.posAtDOM(event.target) : null;
  return EditorView.domEventHandlers({
    mousedown(event, view) {
      pressed = null;
      const place = placeOf(event, view);
      if (place === null || event.button !== 0) return false;
      if (event.ctrlKey || event.metaKey) {
        event.preventDefault();
        return followAt(view, place);
      }
      const { doc, selection } = view.state;
      const isWritten = view.hasFocus && doc.lineAt(selection.main.head).number === doc.lineAt(place).number;
      if (!isWritten && !event.shiftKey && !event.altKey && event.detail === 1) pressed = { x: event.clientX, y: event.clientY, place };
      return false;
    },
    mouseup(event, view) {
      const from = pressed;
      pressed = null;
      if (from === null || Math.hypot(event.clientX - from.x, event.clientY - from.y) > STILL || !view.state.selection.main.empty) return;
      // Once the editor has put the cursor there, so that Back returns to it.
      setTimeout(() => followAt(view, from.place));
    },
  });
}
