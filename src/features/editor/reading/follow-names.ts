import { EditorView } from '@codemirror/view';
import { readInline } from '../../../core/note/names/names';
import { type FollowTarget, editorContext } from './editor-context';

const ADDRESS = /https?:\/\/[^\s<>()[\]{}"']*[^\s<>()[\]{}"'.,;:!?]/g;
/** Words that stand for an address, as Markdown has it. */
const NAMED_ADDRESS = /\[[^\][\n]*\]\(\s*(https?:[^\s()]+)[^()\n]*\)/g;

/** An address of the web in a line, and where it stands. */
export interface Address {
  url: string;
  from: number;
  to: number;
}

/** The addresses that a line shows. */
export function addressesIn(text: string): Address[] {
  if (!text.includes('http')) return [];
  return [...text.matchAll(ADDRESS)].map((found) => ({ url: found[0], from: found.index, to: found.index + found[0].length }));
}

/** What stands at a column of a line that leads somewhere: a name, a link or an address; null for other words. */
export function targetAt(text: string, column: number): FollowTarget | null {
  const holds = ({ from, to }: { from: number; to: number }): boolean => from <= column && column <= to;
  const { names, links } = readInline(text, 0, text.length);
  const link = links.find(holds);
  if (link) return { is: 'note', name: link.target, heading: link.heading };
  const named = [...text.matchAll(NAMED_ADDRESS)].find((found) => holds({ from: found.index, to: found.index + found[0].length }));
  const url = named?.[1] ?? addressesIn(text).find(holds)?.url;
  if (url !== undefined) return { is: 'address', url };
  const name = names.find(holds);
  return name ? { is: name.kind, name: name.name } : null;
}

/** Goes where the name, link or address at a place of the text leads; whether one stands there. */
export function followAt(view: EditorView, place: number): boolean {
  const line = view.state.doc.lineAt(place);
  const target = targetAt(line.text, place - line.from);
  if (target) view.state.facet(editorContext).follow(target);
  return target !== null;
}

/** Ctrl+click (⌘ on a Mac) on a tag, person, link or address goes there. */
export const followNames = EditorView.domEventHandlers({
  mousedown(event, view) {
    if (!(event.ctrlKey || event.metaKey) || !(event.target instanceof HTMLElement)) return false;
    if (!event.target.closest('.cm-url, .cm-name')) return false;
    event.preventDefault();
    return followAt(view, view.posAtDOM(event.target));
  },
});
