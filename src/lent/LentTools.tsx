import { Search } from 'lucide-react';
import type { RefObject } from 'react';
import { MoreMenu } from '../ui/menu/MoreMenu';
import { MenuEntry, MenuLine } from '../ui/menu/menu';
import type { LentEditor } from './make-lent-editor';
import { plainText, saveText } from './take-lent';

interface LentToolsProps {
  editor: RefObject<LentEditor | null>;
  words: string;
}

/** What can be done with the text beside writing in it: find, fold, take it along. */
export function LentTools({ editor, words }: LentToolsProps) {
  return (
    <div className="no-print ms-auto flex gap-1">
      <button type="button" className="quiet-button" aria-label="Find in it" onClick={() => editor.current?.run('text-find')}>
        <Search size={16} aria-hidden="true" />
      </button>
      <MoreMenu label="What can be done with it">
        <MenuEntry label="Fold all of it" onSelect={() => editor.current?.run('text-fold-all')} />
        <MenuEntry label="Open all of it" onSelect={() => editor.current?.run('text-unfold-all')} />
        <MenuLine />
        <MenuEntry label="Save as Markdown" onSelect={() => saveText('Lent.md', words, 'text/markdown')} />
        <MenuEntry label="Save as plain text" onSelect={() => saveText('Lent.txt', plainText(words), 'text/plain')} />
        <MenuEntry label="Print…" onSelect={() => window.print()} />
      </MoreMenu>
    </div>
  );
}
