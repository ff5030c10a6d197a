import { columnsOf } from '../reading/columns';
import { type Page, indentOf } from '../reading/page';
import type { Item } from '../../note/blocks/structure';

/**
 * Puts a remark under an item as a list line, below what it holds already.
 *
 * @param before the line (from 0) to put it before; when left out, behind the item's last line
 */
export function addRemark(page: Page, item: Item, remark: string, before = item.lastLine + 1): void {
  const words = remark.replace(/\s+/g, ' ').trim();
  if (words === '') return;
  const indent = indentOf(page, item);
  const bullet = /[-*+]/.test(item.marker) ? item.marker : '-';
  // Words that begin like a box would make the remark a task.
  const text = words.startsWith('[') ? `\\${words}` : words;
  page.edits.insertBefore(before, [`${indent}${' '.repeat(Math.max(2, item.column - columnsOf(indent)))}${bullet} ${text}`]);
}
