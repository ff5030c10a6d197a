import { useEffect, useMemo, useRef } from 'react';
import { Link } from 'react-router';
import { foldName } from '../../../core/note/names/names';
import { isSealedPath } from '../../../core/note/names/path';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { useStoredNote } from '../use-stored-note';
import { useNoteOnPage } from '../../session/places/use-note-on-page';
import { noteAddress, personAddress, tagAddress } from '../../session/places/addresses';
import { useAsked } from '../../session/asked/use-asked';
import { useAppSelector } from '../../session/state/state';
import { perhapsClosed } from '../../sharing/seal/unlooked';
import { useSeals } from '../../sharing/seal/use-seals';
import { firstWords } from './first-words';

const LINES = 4;
const TASKS = 6;

/** What a link leads to: its title, its first lines, and its open tasks. */
export function LinkCard({ place, takesFocus }: { place: string; takesFocus: boolean }) {
  const path = usePath(place);
  const box = useRef<HTMLDivElement>(null);
  const known = path !== undefined;
  const gathers = useMemo(() => gathersOf(place, path ?? null), [place, path]);
  useEffect(() => {
    if (takesFocus && known) box.current?.querySelector<HTMLElement>('a')?.focus();
  }, [takesFocus, known]);
  if (path === undefined) return <p className="text-muted">Looking…</p>;
  const name = place.startsWith('[[') ? place.slice(2) : place;
  return (
    <div ref={box}>
      {path === null ? <Bare name={name} isLink={place.startsWith('[[')} /> : <OfNote path={path} />}
      <AgendaLists path={path ?? name} look="cards" saysEmpty={false} gathers={gathers} />
    </div>
  );
}

function gathersOf(place: string, path: string | null): string[] {
  const limit = `\nlimit ${TASKS}`;
  if (place.startsWith('@')) return [`title Open with them\nwhere open and this person${limit}`];
  if (place.startsWith('#')) return [`title Open\nwhere open and ${place}${limit}`];
  return path === null ? [] : [`title Open\nwhere open and this note${limit}`];
}

function OfNote({ path }: { path: string }) {
  const stored = useStoredNote(path);
  const title = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === path)?.title ?? path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : '';
  const isClosed = stored.is === 'there' && 'bytes' in stored.content && isSealedPath(path);
  const lines = useMemo(() => firstWords(path, text, LINES), [path, text]);
  return (
    <>
      <h2 className="font-title text-[1.05rem] font-semibold">
        <Link to={noteAddress(path)} className="name-link">
          {title}
        </Link>
      </h2>
      {isClosed && <p className="text-[0.92rem] text-muted">It is sealed, and its seal is closed.</p>}
      {lines.map((line, index) => (
        <p key={index} className="text-[0.92rem] text-muted [overflow-wrap:anywhere]">
          {line}
        </p>
      ))}
      <div className="h-2" />
    </>
  );
}

function Bare({ name, isLink }: { name: string; isLink: boolean }) {
  const { closed } = useSeals();
  if (isLink && closed > 0)
    return (
      <p className="text-muted">
        No note that can be read now is called “{name}”. {perhapsClosed(closed)}
      </p>
    );
  if (isLink) return <p className="text-muted">There is no note “{name}” yet. A click on the link makes it.</p>;
  return (
    <h2 className="mb-2 font-title text-[1.05rem] font-semibold">
      <Link to={name.startsWith('@') ? personAddress(name.slice(1)) : tagAddress(name.slice(1))} className="name-link">
        {name}
      </Link>
    </h2>
  );
}

/** The path of the note that a place means; null when there is none, undefined until it is known. */
function usePath(place: string): string | null | undefined {
  const from = useNoteOnPage();
  const bare = foldName(place.slice(1));
  const named = useAppSelector((state) => {
    if (place.startsWith('[[')) return undefined;
    const names = place.startsWith('@') ? state.library.overview?.people : state.library.overview?.tags;
    return names?.find((one) => foldName(one.name) === bare)?.path ?? null;
  });
  const found = useAsked('resolve', place.startsWith('[[') ? { target: place.slice(2), from } : null);
  return place.startsWith('[[') ? found : named;
}
