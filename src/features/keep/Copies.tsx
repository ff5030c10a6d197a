import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { copiesIn, type KeptCopy } from '../../store/keep/copies';
import { browserCopies } from '../../store/keep/copy-place';
import { LEFT_BROWSER, type LeftBrowser, leavesNow, readLeft, weeksAlone } from '../../store/keep/left-browser';
import { failureExplained } from '../../store/notes/failure';
import { useExport } from '../exchange/use-export';
import { saveFile } from '../exchange/save-file';
import { refuse, say } from '../session/acting/messages';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import type { MeantCopy } from './meant-copy';
import { momentName, sizeName } from './kept-words';
import { makeCopy } from './make-copy';

/** The copies in the browser's own file space, and when something last left the browser. */
export function Copies({ onLook, onCopied }: { onLook: (copy: MeantCopy) => void; onCopied: () => void }) {
  const { store, texts } = useServices();
  const settings = useAppSelector((state) => state.settings);
  const { day: today } = useNow();
  const place = useMemo(() => browserCopies(navigator.storage), []);
  const [copies, setCopies] = useState<readonly KeptCopy[] | null>(null);
  const [making, setMaking] = useState(false);
  const [left, setLeft] = useState<LeftBrowser>(readLeft(null));
  const exportAll = useExport();
  const file = useRef<HTMLInputElement>(null);
  const look = useCallback(async (): Promise<void> => {
    setLeft(readLeft(await store.value(LEFT_BROWSER)));
    setCopies(place ? await copiesIn(place).catch(() => []) : []);
  }, [store, place]);
  useEffect(() => {
    void look();
    // A folder that is kept in step says it, too.
    return store.listen({ valueChanged: (id) => void (id === LEFT_BROWSER && look()) });
  }, [store, look]);
  const make = async (): Promise<void> => {
    if (!place || making) return;
    setMaking(true);
    try {
      await texts.saveAll();
      await makeCopy(place, settings, new Date(), new AbortController().signal);
      say('A copy of everything was made.');
      onCopied();
    } catch (error) {
      refuse(`The copy could not be made. ${await failureExplained(error)}`);
    } finally {
      setMaking(false);
    }
    await look();
  };
  const open = async (name: string): Promise<void> => {
    try {
      if (place) onLook({ name, content: await place.read(name) });
    } catch {
      refuse('This copy is gone.');
      await look();
    }
  };
  const save = async (name: string): Promise<void> => {
    if (!place) return;
    saveFile(name, await place.read(name));
    await store.changeValue(LEFT_BROWSER, leavesNow(Date.now()));
    await look();
  };
  const weeks = weeksAlone(left, Date.now());
  return (
    <>
      {place === null && (
        <p className="text-muted">This browser gives no file space of its own, so copies are only made as files: export everything.</p>
      )}
      {copies?.length === 0 && place !== null && (
        <p className="text-muted">No copy was made yet. The first comes by itself within the hour.</p>
      )}
      <ul aria-label="Copies" className="mb-2">
        {copies?.map(({ name, at, size }) => (
          <li key={name} className="flex flex-wrap items-center gap-x-2 border-b border-line py-1">
            <span className="me-auto">
              {momentName(at, today, settings.dateStyle)} <span className="text-[0.86rem] text-muted">{sizeName(size)}</span>
            </span>
            <button
              type="button"
              className="quiet-button"
              aria-label={`Compare with the copy of ${momentName(at, today, settings.dateStyle)}`}
              onClick={() => void open(name)}
            >
              Compare and bring back
            </button>
            <button
              type="button"
              className="quiet-button"
              aria-label={`Save the copy of ${momentName(at, today, settings.dateStyle)} as a file`}
              onClick={() => void save(name)}
            >
              Save as a file
            </button>
          </li>
        ))}
      </ul>
      <p className="mb-2 flex flex-wrap gap-2">
        {place !== null && (
          <button type="button" className="line-button" disabled={making} onClick={() => void make()}>
            {making ? 'Making a copy…' : 'Make one now'}
          </button>
        )}
        <button type="button" className="line-button" onClick={() => file.current?.click()}>
          Compare with a file…
        </button>
        <button type="button" className="line-button" onClick={() => void exportAll().then(look)}>
          Export everything
        </button>
        <input
          ref={file}
          type="file"
          accept=".zip"
          hidden
          aria-label="A copy to compare with"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            if (chosen) onLook({ name: chosen.name, content: chosen });
            event.target.value = '';
          }}
        />
      </p>
      <p className={weeks === null ? 'text-muted' : 'font-semibold text-late'}>
        {weeks !== null
          ? `Nothing was saved outside this browser for ${weeks} weeks. Copies in the browser go when its data is cleared.`
          : left.left === null
            ? 'Nothing was saved outside this browser yet. Copies in the browser go when its data is cleared.'
            : `Saved outside this browser last: ${momentName(left.left, today, settings.dateStyle)}.`}
      </p>
    </>
  );
}
