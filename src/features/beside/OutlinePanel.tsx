import { useMemo } from 'react';
import { Link } from 'react-router';
import { readNote } from '../../core/task/read-note';
import { useStoredNote } from '../note/use-stored-note';
import { noteAddress } from '../session/addresses';
import { useAppSelector } from '../session/state';

/** The headings of the note on the page; the one that holds the cursor is marked. */
export function OutlinePanel({ path }: { path: string | null }) {
  if (path === null) return <p className="text-muted">This page is no note.</p>;
  return <Headings key={path} path={path} />;
}

function Headings({ path }: { path: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : '';
  const headings = useMemo(() => readNote(path, text).structure.headings.filter((heading) => heading.topLevel), [path, text]);
  const cursor = useAppSelector((state) => (state.frame.cursor?.path === path ? state.frame.cursor.line : null));
  const here = cursor === null ? undefined : headings.findLast((heading) => heading.line <= cursor);
  if (headings.length === 0) return <p className="text-muted">This note has no headings. A line that begins with # makes one.</p>;
  const top = Math.min(...headings.map((heading) => heading.level));
  return (
    <nav aria-label="Outline" className="rounded-lg bg-sheet px-2 py-2 text-[0.95rem]">
      {headings.map((heading) => (
        <Link
          key={heading.line}
          to={noteAddress(path, heading.line)}
          aria-current={heading === here ? 'location' : undefined}
          className={`block truncate rounded-md px-2 py-0.5 hover:bg-raised ${heading === here ? 'bg-primary-soft font-semibold' : ''}`}
          style={{ paddingInlineStart: `${8 + (heading.level - top) * 14}px` }}
        >
          {heading.words || 'no words'}
        </Link>
      ))}
    </nav>
  );
}
