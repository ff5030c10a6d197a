import { Pencil } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { baseNameOf } from '../../../core/note/names/path';
import { LazyRenameDialog as RenameDialog } from '../../note/rename/LazyRenameDialog';
import { readNote } from '../../../core/task/reading/read-note';
import { useStoredNote } from '../../note/use-stored-note';
import { noteAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';

/** The headings of the note on the page; the one that holds the cursor is marked. */
export function OutlinePanel({ path }: { path: string | null }) {
  if (path === null)
    return <p className="text-muted">What is shown in the middle is no single note. Open one, and its headings stand here.</p>;
  return <Headings key={path} path={path} />;
}

function Headings({ path }: { path: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : '';
  const headings = useMemo(() => readNote(path, text).structure.headings.filter((heading) => heading.topLevel), [path, text]);
  const [renaming, setRenaming] = useState<string | null>(null);
  const title = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === path)?.title ?? '');
  const names = [title, baseNameOf(path), path, path.replace(/\.md$/i, '')];
  const cursor = useAppSelector((state) => (state.frame.cursor?.path === path ? state.frame.cursor.line : null));
  const here = cursor === null ? undefined : headings.findLast((heading) => heading.line <= cursor);
  if (headings.length === 0) return <p className="text-muted">This note has no headings. A line that begins with # makes one.</p>;
  const top = Math.min(...headings.map((heading) => heading.level));
  return (
    <nav aria-label="Outline" className="rounded-lg bg-sheet px-2 py-2 text-[0.95rem]">
      {renaming !== null && (
        <RenameDialog
          name={renaming}
          renaming={(after) =>
            after === '' || /[#[\]|\n]/.test(after) ? null : { is: 'heading', path, titles: names, before: renaming, after }
          }
          rule="A heading that links can name has none of # [ ] |."
          onClose={() => setRenaming(null)}
          onDone={() => setRenaming(null)}
        />
      )}
      {headings.map((heading) => (
        <div key={heading.line} className="group/heading flex items-center">
          <Link
            to={noteAddress(path, heading.line)}
            aria-current={heading === here ? 'location' : undefined}
            className={`block min-w-0 flex-1 truncate rounded-md px-2 py-0.5 hover:bg-raised ${heading === here ? 'bg-primary-soft font-semibold' : ''}`}
            style={{ paddingInlineStart: `${8 + (heading.level - top) * 14}px` }}
          >
            {heading.words || 'no words'}
          </Link>
          <button
            type="button"
            className="quiet-button opacity-0 group-hover/heading:opacity-100 focus-visible:opacity-100"
            aria-label={`Rename the heading ${heading.words}`}
            onClick={() => setRenaming(heading.words)}
          >
            <Pencil size={12} aria-hidden="true" />
          </button>
        </div>
      ))}
    </nav>
  );
}
