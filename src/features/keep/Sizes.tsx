import { useCallback, useEffect, useState } from 'react';
import type { KindSize } from '../../store/keep/earlier-texts';
import { copiesIn, letOlderCopiesGo } from '../../store/keep/copies';
import { browserCopies } from '../../store/keep/copy-place';
import { failureExplained } from '../../store/notes/failure';
import { refuse, say } from '../session/telling/messages';
import { type Services, useServices } from '../session/state/services';
import { sizeName } from './kept-words';

interface Kept {
  notes: KindSize;
  earlier: KindSize;
  copies: KindSize;
  pictures: KindSize & { unshown: number };
  /** In bytes; null where the browser does not say. */
  used: number | null;
  room: number | null;
  /** Whether the browser promised to keep it; null where it does not say. */
  persisted: boolean | null;
}

/** What a person can let go to have room. */
type Let = 'earlier' | 'copies' | 'pictures';

const LET_WORDS: Record<Let, string> = {
  earlier: 'Let all earlier texts go',
  copies: 'Let all copies but the newest go',
  pictures: 'Let pictures go that no note shows',
};

/** Lets it go, and says what that was. */
const LET_GO: Record<Let, (store: Services['store']) => Promise<string>> = {
  earlier: async (store) => {
    await store.earlier.clear();
    return 'All earlier texts are gone; deleted notes are still kept.';
  },
  copies: async () => {
    const place = browserCopies(navigator.storage);
    const gone = place ? await letOlderCopiesGo(place) : 0;
    return gone === 1 ? '1 copy is gone; the newest stays.' : `${gone} copies are gone; the newest stays.`;
  },
  pictures: async (store) => {
    const { letUnshownGo } = await import('../../store/pictures/unshown');
    const gone = await letUnshownGo(store);
    return gone === 1 ? '1 picture is gone.' : `${gone} pictures are gone.`;
  },
};

/** What the store holds by kind, how much room the browser gives, and whether it keeps it when room is short. */
export function Sizes() {
  const { store } = useServices();
  const [kept, setKept] = useState<Kept | null>(null);
  const [sure, setSure] = useState<Let | null>(null);
  const look = useCallback(async (): Promise<void> => {
    const place = browserCopies(navigator.storage);
    const [notes, earlier, pictures, copies, estimate, persisted] = await Promise.all([
      store.earlier.notesSize(),
      store.earlier.size(),
      import('../../store/pictures/unshown').then((part) => part.picturesSize(store)),
      place ? copiesIn(place).catch(() => []) : [],
      navigator.storage?.estimate?.().catch(() => null) ?? null,
      navigator.storage?.persisted?.().catch(() => null) ?? null,
    ]);
    const size = copies.reduce((sum, one) => sum + one.size, 0);
    const { usage = null, quota = null } = estimate ?? {};
    setKept({ notes, earlier, pictures, copies: { count: copies.length, size }, used: usage, room: quota, persisted });
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
  const letGo = async (what: Let): Promise<void> => {
    if (sure !== what) return setSure(what);
    setSure(null);
    try {
      say(await LET_GO[what](store));
    } catch (error) {
      refuse(`${await failureExplained(error)} What is kept stays.`);
    }
    await look();
  };
  const lets: Let[] = [
    ...(kept.earlier.count > 0 ? (['earlier'] as const) : []),
    ...(kept.copies.count > 1 ? (['copies'] as const) : []),
    ...(kept.pictures.unshown > 0 ? (['pictures'] as const) : []),
  ];
  const rows: [string, KindSize][] = [
    ['Notes', kept.notes],
    ['Earlier texts, deleted notes', kept.earlier],
    ['Copies', kept.copies],
    ...(kept.pictures.count > 0 ? [['Pictures', kept.pictures] as [string, KindSize]] : []),
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
        {lets.map((what) => (
          <button key={what} type="button" className="line-button" onBlur={() => setSure(null)} onClick={() => void letGo(what)}>
            {sure === what ? 'Really: this cannot be undone' : LET_WORDS[what]}
          </button>
        ))}
      </p>
    </>
  );
}
