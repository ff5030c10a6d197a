import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { baseNameOf } from '../../core/note/names/path';
import type { EarlierText } from '../../store/keep/earlier-text';
import type { Content } from '../../store/notes/content';
import { chosenText, compareTexts } from '../../store/texts/compare-texts';
import { useStoredNote } from '../note/use-stored-note';
import { Sheet } from '../note/page/Sheet';
import { copyText } from '../session/acting/copy-text';
import { refuse } from '../session/telling/messages';
import { counted, useToldDone } from '../session/acting/use-act';
import { keepAddress, noteAddress } from '../session/places/addresses';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/asked/use-changes';
import { Difference } from './Difference';
import { useBringBack } from './use-bring-back';
import { momentName, replacedBy, sizeName } from './kept-words';

/** The texts that a note had: each with what took its place, compared with the present one, and brought back whole or in part. */
export function EarlierPage() {
  const path = useParams()['*'] ?? '';
  const stored = useStoredNote(path);
  const moments = useMoments(path);
  const [chosen, setChosen] = useState<number | null>(null);
  const meant = moments?.find(({ id }) => id === chosen) ?? moments?.[0] ?? null;
  const title = `Earlier texts of “${baseNameOf(path)}”`;
  const isThere = stored.is === 'there';
  return (
    <Sheet title={title} busy={moments === null} wide>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">
          {isThere ? (
            <Link className="name-link" to={noteAddress(path)}>
              Back to the note
            </Link>
          ) : (
            <Link className="name-link" to={keepAddress()}>
              What is kept
            </Link>
          )}
        </p>
        <h1 className="font-title text-[1.86rem] leading-tight font-bold [overflow-wrap:anywhere]">{title}</h1>
        {stored.is === 'absent' && <p className="text-muted">There is no such note now.</p>}
      </header>
      {moments?.length === 0 && (
        <p className="text-muted">
          No earlier text is kept yet. One is kept before each action, and of what is written by its pauses, from the first change on.
        </p>
      )}
      {moments !== null && meant && (
        <div className="grid items-start gap-6 md:grid-cols-[17rem_minmax(0,1fr)]">
          <Moments moments={moments} meant={meant} onChoose={setChosen} />
          <Shown key={meant.id} moment={meant} path={path} present={isThere ? stored.content : null} />
        </div>
      )}
    </Sheet>
  );
}

function useMoments(path: string): readonly EarlierText[] | null {
  const { store } = useServices();
  const changes = useChanges();
  const [found, setFound] = useState<{ path: string; moments: readonly EarlierText[] } | null>(null);
  useEffect(() => {
    let gone = false;
    void store.earlier.of(path).then((moments) => !gone && setFound({ path, moments }));
    return () => {
      gone = true;
    };
  }, [store, path, changes]);
  return found?.path === path ? found.moments : null;
}

interface MomentsProps {
  moments: readonly EarlierText[];
  meant: EarlierText;
  onChoose: (id: number) => void;
}

function Moments({ moments, meant, onChoose }: MomentsProps) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  return (
    <ul aria-label="Moments" className="grid gap-0.5 md:sticky md:top-0 md:max-h-[70vh] md:overflow-y-auto">
      {moments.map((moment) => (
        <li key={moment.id}>
          <button
            type="button"
            aria-pressed={moment === meant}
            className={`w-full rounded-md px-2 py-1 text-start ${moment === meant ? 'bg-primary-soft' : 'hover:bg-raised'}`}
            onClick={() => onChoose(moment.id)}
          >
            <span className="flex items-baseline justify-between gap-2">
              <span className="font-semibold">{momentName(moment.until, today, style)}</span>
              <span className="text-[0.8rem] text-muted tabular-nums">{sizeName(moment.size)}</span>
            </span>
            <span className="block text-[0.86rem] [overflow-wrap:anywhere] text-muted">{replacedBy(moment)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** One earlier text beside the present one; of a note that is gone, the text itself. */
function Shown({ moment, path, present }: { moment: EarlierText; path: string; present: Content | null }) {
  const { store, actions } = useServices();
  const told = useToldDone();
  const bringBack = useBringBack();
  const [content, setContent] = useState<Content | 'gone' | null>(null);
  useEffect(() => {
    let gone = false;
    void store.earlierContent(moment.id, path).then((found) => !gone && setContent(found ?? 'gone'));
    return () => {
      gone = true;
    };
  }, [store, moment, path]);
  const now = present && 'text' in present ? present.text : null;
  const then = content !== null && content !== 'gone' && 'text' in content ? content.text : null;
  const parts = useMemo(() => (now === null || then === null ? null : compareTexts(now, then)), [now, then]);
  const places = parts?.filter((part) => part.is === 'place').length ?? 0;
  const title = baseNameOf(path);
  const take = useCallback(
    async (place: number): Promise<void> => {
      if (parts === null || now === null) return;
      const choices = Array.from({ length: places }, (_, at) => (at === place ? ('other' as const) : ('this' as const)));
      const label = `Brought some lines back: ${title}`;
      const result = await actions.edit(path, label, (text) =>
        text === now ? { text: chosenText(parts, choices) } : { refused: 'The note was changed meanwhile; look again.' },
      );
      if ('refused' in result) refuse(result.refused);
      else told(label, result.step);
    },
    [parts, now, places, title, path, actions, told],
  );
  if (content === null) return <p className="text-muted">Reading…</p>;
  if (content === 'gone') return <p className="text-muted">This text was let go meanwhile.</p>;
  return (
    <section aria-label="The earlier text" className="min-w-0">
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <p className="me-auto">
          {present === null
            ? 'As it was when it went:'
            : places === 0 && parts !== null
              ? 'It says what stands there now.'
              : parts !== null && `It differs from the present text in ${counted(places, 'place')}.`}
        </p>
        {then !== null && (
          <button type="button" className="quiet-button" onClick={() => void copyText(then)}>
            Copy it
          </button>
        )}
        {(present === null || places > 0 || parts === null) && (
          <button type="button" className="solid-button" onClick={() => void bringBack(moment, path)}>
            {present === null ? 'Bring the note back' : 'Bring it back whole'}
          </button>
        )}
      </div>
      {parts !== null && places > 0 && <Difference parts={parts} onTake={(place) => void take(place)} />}
      {present === null && then !== null && (
        <p className="rounded-lg bg-raised p-3 font-mono text-[0.82rem] [overflow-wrap:anywhere] whitespace-pre-wrap">{then}</p>
      )}
      {then === null && <p className="text-muted">It is no text, {sizeName(moment.size)}; it comes back byte for byte.</p>}
    </section>
  );
}
