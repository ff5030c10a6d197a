import type { Page } from '@playwright/test';

interface EditorContent extends HTMLElement {
  /** Where the editor's library keeps its view. */
  cmTile?: { root: { view: { state: { doc: { toString: () => string } } } } };
}

/** What the editor holds, folded or not, also of lines that are out of sight and not drawn; null when there is none. */
export function shownText(page: Page): Promise<string | null> {
  return page.evaluate(() => {
    const content = document.querySelector<EditorContent>('.cm-content');
    if (!content) return null;
    if (!content.cmTile) throw new Error('the editor keeps its view elsewhere now');
    return content.cmTile.root.view.state.doc.toString();
  });
}
