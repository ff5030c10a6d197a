import { useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { copiesIn, type KeptCopy } from '../../../store/keep/copies';
import { LEFT_BROWSER, type LeftBrowser, leavesNow, readLeft, weeksAlone } from '../../../store/keep/left-browser';
import { failureExplained } from '../../../store/notes/failure';
import { saveFile } from '../../files/out/save-file';
import { refuse, say } from '../../session/telling/messages';
import { filesAddress } from '../../session/places/addresses';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { type NamedPlace, copyPlaces } from './copy-places';
import { FOLDER } from '../folder/step-state';
import type { MeantCopy } from './meant-copy';
import { momentName, sizeName } from '../kept-words';
import { makeCopy } from './make-copy';

/** The copies in the browser's own file space, and when something last left the browser. */
export function Copies({ onLook, onCopied }: { onLook: (copy: MeantCopy) => void; onCopied: () => void }) {
  const { store, texts } = useServices();
  const settings = useAppSelector((state) => state.settings);
  const { day: today } = useNow();
  const [found, setFound] = useState<{ places: readonly NamedPlace[]; copies: readonly PlacedCopy[] } | null>(null);
  const [making, setMaking] = useState(false);
  const [left, setLeft] = useState<LeftBrowser>(readLeft(null));
  const file = useRef<HTMLInputElement>(null);
  const look = useCallback(async (): Promise<void> => {
    setLeft(readLeft(await store.value(LEFT_BROWSER)));
    const places = await copyPlaces(store);
    const copies = await Promise.all(
      places.map(async ({ name, place }) => (await copiesIn(place).catch(() => [])).map((copy): PlacedCopy => ({ copy, name, place }))),
    );
    setFound({ places, copies: copies.flat() });
  }, [store]);
  useEffect(() => {
    void look();
    // A folder that is kept in step says it, too.
    return store.listen({ valueChanged: (id) => void ((id === LEFT_BROWSER || id === FOLDER.value) && look()) });
  }, [store, look]);
  const make = async (): Promise<void> => {
    if (!found || making) return;
    setMaking(true);
    try {
      await texts.saveAll();
      await makeCopy(store, found.places, settings, new Date(), new AbortController().signal);
      say('A copy of everything was made.');
      onCopied();
    } catch (error) {
      refuse(`The copy could not be made. ${await failureExplained(error)}`);
    } finally {
      setMaking(false);
    }
    await look();
  };
  const open = async ({ copy: { name }, place }: PlacedCopy): Promise<void> => {
    try {
      onLook({ name, content: await place.read(name) });
    } catch {
      refuse('This copy is gone.');
      await look();
    }
  };
  const save = async ({ copy: { name }, place }: PlacedCopy): Promise<void> => {
    saveFile(name, await place.read(name));
    await store.changeValue(LEFT_BROWSER, leavesNow(Date.now()));
    await look();
  };
  const weeks = weeksAlone(left, Date.now());
  return (
    <>
      {found?.places.length === 0 && (
        <p className="text-muted">This browser gives no file space of its own, so copies are only made as files: export everything.</p>
      )}
      {found?.copies.length === 0 && found.places.length > 0 && (
        <p className="text-muted">No copy was made yet. The first comes by itself within the hour.</p>
      )}
      <ul aria-label="Copies" className="mb-2">
        {found?.copies.map((one) => (
          <Copy key={`${one.name ?? ''}/${one.copy.name}`} copy={one} onOpen={() => void open(one)} onSave={() => void save(one)} />
        ))}
      </ul>
      <p className="mb-2 flex flex-wrap gap-2">
        {found !== null && found.places.length > 0 && (
          <button type="button" className="line-button" disabled={making} onClick={() => void make()}>
            {making ? 'Making a copy…' : 'Make one now'}
          </button>
        )}
        <button type="button" className="line-button" onClick={() => file.current?.click()}>
          Compare with a file…
        </button>
        <Link className="line-button" to={filesAddress()}>
          Take everything out
        </Link>
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

/** A copy, with the place where it lies. */
interface PlacedCopy extends NamedPlace {
  copy: KeptCopy;
}

function Copy({ copy: { copy, name }, onOpen, onSave }: { copy: PlacedCopy; onOpen: () => void; onSave: () => void }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const where = name === null ? '' : ` in ${name}`;
  const when = momentName(copy.at, today, style);
  return (
    <li className="flex flex-wrap items-center gap-x-2 border-b border-line py-1">
      <span className="me-auto">
        {when}{' '}
        <span className="text-[0.86rem] text-muted">
          {sizeName(copy.size)}
          {where}
        </span>
      </span>
      <button type="button" className="quiet-button" aria-label={`Compare with the copy of ${when}${where}`} onClick={onOpen}>
        Compare and bring back
      </button>
      <button type="button" className="quiet-button" aria-label={`Save the copy of ${when}${where} as a file`} onClick={onSave}>
        Save as a file
      </button>
    </li>
  );
}
