import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Day } from '../../../core/calendar/day';
import { dayTitle } from '../../../core/calendar/day-name';
import { journalClaims } from '../../../core/index/live/journal-claims';
import { LazyNoteEditor } from '../../editor/LazyNoteEditor';
import { Sheet } from '../../note/page/Sheet';
import { useStoredNote } from '../../note/use-stored-note';
import { dayAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';
import { DrawnNote } from './DrawnNote';
import { useStoredText } from './use-stored-text';

/** So many days are drawn at first, and so many more each time the foot of them comes into sight. */
const PORTION = 8;

/** All days that have a page, as one long scroll, the newest first: one is written in, the others are drawn. */
export function DaysPage() {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const pages = useMemo(() => {
    const days = [...new Set((notes ?? []).flatMap(({ journal }) => journal ?? []))].sort((a, b) => b - a);
    return days.flatMap((day) => {
      const [page] = journalClaims(notes ?? [], day);
      return page ? [{ day, path: page.path }] : [];
    });
  }, [notes]);
  const [shown, setShown] = useState(PORTION);
  const [writing, setWriting] = useState<{ day: Day; line: number | null } | null>(null);
  const foot = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = foot.current;
    if (!element) return;
    const watcher = new IntersectionObserver(
      ([entry]) => entry?.isIntersecting && setShown((count) => Math.min(count + PORTION, pages.length)),
      { rootMargin: '600px' },
    );
    watcher.observe(element);
    return () => watcher.disconnect();
  }, [pages.length, shown]);
  return (
    <Sheet title="All days" busy={!notes}>
      <h1 className="mb-1 font-title text-[1.86rem] leading-tight font-bold">All days</h1>
      <p className="mb-4 text-muted">
        {pages.length === 0 ? 'No day has a page yet.' : 'Newest first. Press a day’s words to write in it.'}
      </p>
      {pages.slice(0, shown).map(({ day, path }) => (
        <section key={path} aria-label={dayTitle(day)} className="mb-8 border-t border-line pt-3">
          <h2 className="mb-1.5 font-title text-[1.3rem] font-bold">
            <Link to={dayAddress(day)} className="hover:underline">
              {dayTitle(day)}
            </Link>
          </h2>
          {writing?.day === day ? (
            <WrittenDay path={path} title={dayTitle(day)} line={writing.line} onRemoved={() => setWriting(null)} />
          ) : (
            <DrawnDay path={path} onWrite={(line) => setWriting({ day, line })} />
          )}
        </section>
      ))}
      <div ref={foot} className="h-px" />
    </Sheet>
  );
}

function DrawnDay({ path, onWrite }: { path: string; onWrite: (line: number | null) => void }) {
  const text = useStoredText(path);
  if (text === null) return <p className="text-muted">…</p>;
  return (
    <>
      {text.trim() === '' && <p className="text-muted">Nothing is written here.</p>}
      <DrawnNote path={path} text={text} onWrite={onWrite} />
      <button type="button" className="sr-only focus:not-sr-only focus:quiet-button" onClick={() => onWrite(null)}>
        Write in this day
      </button>
    </>
  );
}

function WrittenDay({ path, title, line, onRemoved }: { path: string; title: string; line: number | null; onRemoved: () => void }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  if (text === null) return null;
  return (
    <LazyNoteEditor
      key={path}
      path={path}
      title={title}
      stored={text}
      line={line}
      autoFocus
      placeholder="Write what the day brings."
      onRemoved={onRemoved}
    />
  );
}
