import { useCallback, useEffect, useState } from 'react';
import type { KindSize } from '../../store/keep/earlier-texts';
import { copiesIn } from '../../store/keep/copies';
import { browserCopies } from '../../store/keep/copy-place';
import { say } from '../session/acting/messages';
import { useServices } from '../session/state/services';
import { sizeName } from './kept-words';

interface Kept {
  notes: KindSize;
  earlier: KindSize;
  copies: KindSize;
  /** In bytes; null where the browser does not say. */
  used: number | null;
  room: number | null;
  /** Whether the browser promised to keep it; null where it does not say. */
  persisted: boolean | null;
}

/** What the store holds by kind, how much room the browser gives, and whether it keeps it when room is short. */
export function Sizes() {
  const { store } = useServices();
  const [kept, setKept] = useState<Kept | null>(null);
  const [sure, setSure] = useState(false);
  const look = useCallback(async (): Promise<void> => {
    const place = browserCopies(navigator.storage);
    const [notes, earlier, copies, estimate, persisted] = await Promise.all([
      store.earlier.notesSize(),
      store.earlier.size(),
      place ? copiesIn(place).catch(() => []) : [],
      navigator.storage?.estimate?.().catch(() => null) ?? null,
      navigator.storage?.persisted?.().catch(() => null) ?? null,
    ]);
    const size = copies.reduce((sum, one) => sum + one.size, 0);
    const { usage = null, quota = null } = estimate ?? {};
    setKept({ notes, earlier, copies: { count: copies.length, size }, used: usage, room: quota, persisted });
  }, [store]);
  useEffect(() => void look(), [look]);
  if (!kept) return <p className="text-muted">Counting…</p>;
  const ask = async (): Promise<void> => {
    const persisted = (await navigator.storage.persist?.()) ?? false;
    say(
      persisted
        ? 'The browser promised to keep it.'
        : 'The browser did not promise it. It does so for pages that are installed or often used.',
    );
    await look();
  };
  const letGo = async (): Promise<void> => {
    if (!sure) return setSure(true);
    setSure(false);
    await store.earlier.clear();
    say('All earlier texts are gone; deleted notes are still kept.');
    await look();
  };
  const rows: [string, KindSize][] = [
    ['Notes', kept.notes],
    ['Earlier texts, deleted notes', kept.earlier],
    ['Copies', kept.copies],
  ];
  return (
    <>
      <table className="mb-2 border-collapse text-[0.93rem]">
        <tbody>
          {rows.map(([kind, { count, size }]) => (
            <tr key={kind} className="border-b border-line">
              <th scope="row" className="py-1 pe-6 text-start font-normal">
                {kind}
              </th>
              <td className="py-1 pe-6 text-end tabular-nums">{count.toLocaleString('en')}</td>
              <td className="py-1 text-end tabular-nums">{sizeName(size)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {kept.used !== null && kept.room !== null && (
        <p className="text-muted">
          The browser has {sizeName(kept.used)} of this page, of {sizeName(kept.room)} that it would give.
        </p>
      )}
      <p className="text-muted">
        {kept.persisted === null
          ? 'The browser does not say whether it keeps all that when its disk is full.'
          : kept.persisted
            ? 'The browser promised to keep it, also when its disk is full.'
            : 'When its disk is full, the browser may let all of it go.'}
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        {kept.persisted === false && (
          <button type="button" className="line-button" onClick={() => void ask()}>
            Ask the browser to keep it
          </button>
        )}
        {kept.earlier.count > 0 && (
          <button type="button" className="line-button" onBlur={() => setSure(false)} onClick={() => void letGo()}>
            {sure ? 'Really: this cannot be undone' : 'Let all earlier texts go'}
          </button>
        )}
      </p>
    </>
  );
}
