import { indentWidth } from '../../note/blocks/indent';
import { type OpenNote, indentOf } from '../reading/open-note';
import type { Item } from '../../note/blocks/structure';

/**
 * Puts a remark under an item as a list line, below what it holds already.
 *
 * @param before the line (from 0) to put it before; when left out, behind the item's last line
 */
export function addRemark(opened: OpenNote, item: Item, remark: string, before = item.lastLine + 1): void {
  const words = remark.replace(/\s+/g, ' ').trim();
  if (words === '') return;
  const indent = indentOf(opened, item);
  const bullet = /[-*+]/.test(item.marker) ? item.marker : '-';
  // Words that begin like a box would make the remark a task.
  const text = words.startsWith('[') ? `\\${words}` : words;
  opened.edits.insertBefore(before, [`${indent}${' '.repeat(Math.max(2, item.column - indentWidth(indent)))}${bullet} ${text}`]);
}
