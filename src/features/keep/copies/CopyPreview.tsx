import { useEffect, useMemo, useState } from 'react';
import { type CopiedNote, asCopied, sinceCopy } from '../../../store/keep/bring-back';
import { compareTexts } from '../../../store/texts/compare-texts';
import { readZip } from '../../../engine/files/read-zip';
import { refuse } from '../../session/telling/messages';
import { counted, useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { Difference } from '../Difference';
import type { MeantCopy } from './meant-copy';
import { copiedNotes } from './copied-notes';
import { Check } from '../../../ui/form/Check';

interface Compared {
  since: readonly CopiedNote[];
  count: number;
  problems: readonly string[];
}

/** So many notes are listed at once. */
const MOST = 200;

/** What would change if a copy were brought back: each note is looked at, and chosen or left as it is. */
export function CopyPreview({ copy, onClose }: { copy: MeantCopy; onClose: () => void }) {
  const { store, actions, texts } = useServices();
  const told = useToldDone();
  const [compared, setCompared] = useState<Compared | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [shown, setShown] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    const compare = async (): Promise<void> => {
      await texts.saveAll();
      const { notes, problems } = await copiedNotes(readZip(copy.content));
      const since = await sinceCopy(store.kept, notes);
      if (gone) return;
      setCompared({ since, count: notes.size, problems });
      // What came since stays, unless a person wants it gone.
      setChosen(new Set(since.filter(({ then }) => then !== null).map(({ path }) => path)));
    };
    void compare().catch(() => !gone && setCompared({ since: [], count: 0, problems: ['It cannot be read.'] }));
    return () => {
      gone = true;
    };
  }, [copy, store, texts]);
  if (!compared) return <p className="text-muted">Comparing with {copy.name}…</p>;
  const { since, count, problems } = compared;
  const bringBack = async (): Promise<void> => {
    const notes = since.filter(({ path }) => chosen.has(path));
    const label = `Brought back ${counted(notes.length, 'note')} of ${copy.name}`;
    const result = await actions.step(label, () => asCopied(store.kept, notes));
    if ('refused' in result) return void refuse(result.refused);
    told(label, result.step);
    onClose();
  };
  const turn = (path: string): void => {
    const next = new Set(chosen);
    if (!next.delete(path)) next.add(path);
    setChosen(next);
  };
  return (
    <section aria-label="The copy" className="mt-3 rounded-lg border border-edge p-3">
      <h3 className="font-semibold [overflow-wrap:anywhere]">{copy.name}</h3>
      <p className="mb-2 text-muted">
        {counted(count, 'note')} in it.{' '}
        {count > 0 &&
          (since.length === 0 ? 'All of them stand here just so.' : `${counted(since.length, 'note')} differ from what stands here now.`)}
      </p>
      {problems.length > 0 && (
        <ul className="mb-2 text-late">
          {problems.slice(0, 10).map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      <ul>
        {since.slice(0, MOST).map((note) => (
          <Row
            key={note.path}
            note={note}
            isChosen={chosen.has(note.path)}
            isShown={shown === note.path}
            onTurn={() => turn(note.path)}
            onShow={() => setShown(shown === note.path ? null : note.path)}
          />
        ))}
      </ul>
      {since.length > MOST && <p className="text-muted">… and {since.length - MOST} more.</p>}
      <p className="mt-3 flex flex-wrap gap-2">
        {since.length > 0 && (
          <button type="button" className="solid-button" disabled={chosen.size === 0} onClick={() => void bringBack()}>
            Bring {counted(chosen.size, 'note')} back
          </button>
        )}
        <button type="button" className="line-button" onClick={onClose}>
          Close
        </button>
      </p>
    </section>
  );
}

interface RowProps {
  note: CopiedNote;
  isChosen: boolean;
  isShown: boolean;
  onTurn: () => void;
  onShow: () => void;
}

function Row({ note, isChosen, isShown, onTurn, onShow }: RowProps) {
  const { path, now, then } = note;
  const what = then === null ? 'came since; chosen, it goes' : now === null ? 'went since' : 'was changed since';
  return (
    <li className="border-b border-line py-1">
      <div className="flex flex-wrap items-center gap-x-2">
        <Check checked={isChosen} onChange={onTurn} className="me-auto min-w-0">
          <span className="[overflow-wrap:anywhere]">
            {path.replace(/\.md$/i, '')} <span className="text-[0.86rem] text-muted">{what}</span>
          </span>
        </Check>
        <button type="button" className="quiet-button" aria-expanded={isShown} aria-label={`What differs in ${path}`} onClick={onShow}>
          What differs
        </button>
      </div>
      {isShown && <Shown note={note} />}
    </li>
  );
}

function Shown({ note: { now, then } }: { note: CopiedNote }) {
  const parts = useMemo(() => {
    const textOf = (content: CopiedNote['now']): string | null => (content === null ? '' : 'text' in content ? content.text : null);
    const [a, b] = [textOf(now), textOf(then)];
    return a === null || b === null ? null : compareTexts(a, b);
  }, [now, then]);
  return parts === null ? <p className="text-muted">One of them is no text.</p> : <Difference parts={parts} onTake={null} />;
}
