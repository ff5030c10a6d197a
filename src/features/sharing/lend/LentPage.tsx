import { type FormEvent, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { callBack } from '../../../store/lending/lend';
import { ownServer } from '../../../store/lending/lending-server';
import { type SeenLent, askForLent } from '../../../store/lending/seen-lent';
import { Sheet } from '../../note/page/Sheet';
import { SheetPart } from '../../note/page/SheetPart';
import { PinHere } from '../../frame/rack/PinHere';
import { momentName } from '../../keep/kept-words';
import { copyText } from '../../session/acting/copy-text';
import { say } from '../../session/telling/messages';
import { helpAddress, noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow, useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { keepApart } from './keep-apart';
import { RIGHTS_WORDS, lentAddress, lentSecret, seenWords } from './lent-words';
import { useLent } from './use-lent';
import { Labelled } from '../../../ui/form/Labelled';

/** So often it is asked who is there while the page is looked at, in milliseconds. */
const EACH = 10_000;

/** All that is lent: what, to whom, since when, who was there, its address; and what others lent to oneself. */
export function LentPage() {
  const lent = useLent();
  const { store } = useServices();
  useEffect(() => {
    void askForLent(store);
    const each = setInterval(() => document.visibilityState === 'visible' && void askForLent(store), EACH);
    return () => clearInterval(each);
  }, [store]);
  if (!lent) return <Sheet title="Lent out" busy />;
  return (
    <Sheet title="Lent out">
      <header className="mb-4">
        <div className="flex items-center gap-2">
          <h1 className="min-w-0 flex-1 font-title text-[1.86rem] leading-tight font-bold">Lent out</h1>
          <PinHere title="Lent out" />
        </div>
        <p className="text-muted">
          A task with its steps, a section, a note or a list, for others to read or to write by one address.{' '}
          <Link className="name-link" to={helpAddress('lending')}>
            How that works
          </Link>
        </p>
      </header>
      {lent.length === 0 ? (
        <p>
          Nothing is lent. The menu of a task, of a note and of a list has <em>Lend…</em>; the section at the cursor is lent from the menu
          of its note.
        </p>
      ) : (
        <ul className="grid gap-4">
          {lent.map((one) => (
            <li key={one.name}>
              <OneLent one={one} />
            </li>
          ))}
        </ul>
      )}
      <div className="mt-8">
        <SheetPart title="Lent to you">
          <PinLent />
        </SheetPart>
      </div>
    </Sheet>
  );
}

function OneLent({ one }: { one: SeenLent }) {
  const { store } = useServices();
  const dispatch = useAppDispatch();
  const { day } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const address = lentAddress(location.origin, one.address);
  const back = async (): Promise<void> => {
    const heard = await callBack(store, ownServer, one.name).catch(() => false);
    say(
      heard
        ? 'Called back: its address is dead, and what was written there stays here.'
        : 'The server was not reached: the address is dead as soon as it is.',
    );
  };
  return (
    <article aria-label={one.title} className="rounded-md border border-line bg-sheet px-3 py-2">
      <h2 className="font-semibold [overflow-wrap:anywhere]">
        {one.path === null ? (
          one.title
        ) : (
          <Link className="name-link" to={noteAddress(one.path, one.kind === 'list' || one.kind === 'note' ? undefined : one.line)}>
            {one.title}
          </Link>
        )}{' '}
        <span className="font-normal text-muted">
          {one.who !== '' && `to ${one.who}, `}
          {RIGHTS_WORDS[one.rights]}
          {one.hasWord && ', by a word'}
        </span>
      </h2>
      <p className="text-[0.9rem] text-muted">{seenWords(one, day, style, Date.now())}</p>
      {one.there && one.there.hands.length > 0 && (
        <p className="text-[0.9rem] text-muted">
          Written by {one.there.hands.map(({ name, at }) => `${name || 'somebody'} (${momentName(at, day, style)})`).join(', ')}
        </p>
      )}
      <Trouble one={one} />
      {one.ended ? (
        <p role="status" className="mt-1">
          Being called back…
        </p>
      ) : (
        <div className="no-print mt-2 flex flex-wrap items-center gap-2">
          <input
            className="field min-w-0 flex-1 basis-60 font-mono text-[0.86rem]"
            aria-label={`Address of ${one.title}`}
            readOnly
            value={address}
            onFocus={({ target }) => target.select()}
          />
          <button type="button" className="line-button" onClick={() => void copyText(address)}>
            Copy
          </button>
          <button
            type="button"
            className="line-button"
            onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'lend', name: one.name }))}
          >
            How it is lent…
          </button>
          <button type="button" className="line-button" onClick={() => void back()}>
            Call back
          </button>
        </div>
      )}
    </article>
  );
}

const TROUBLES = {
  gone: 'Its lines are gone from your notes. What they write there is kept with the address: put the lines back, keep it as a note of its own, or call it back.',
  asks: 'Its heading is no longer found, or more than one could be meant: give it its name again, keep it as a note of its own, or call it back.',
  swallows:
    'What was written there last would change what stands outside of it, as code that is not closed. It comes in once that is mended there.',
  lost: 'The server knows nothing of it any more. Call it back, and lend it anew.',
};

function Trouble({ one }: { one: SeenLent }) {
  const { store, actions } = useServices();
  if (one.trouble === null) return null;
  const keep = async (): Promise<void> => {
    const path = await keepApart({ store, actions }, one.name);
    say(path === null ? 'It could not be kept. Nothing was changed.' : `It is the note ${path} from now on.`);
  };
  return (
    <div role="alert" className="my-1 rounded-md bg-sun-soft px-3 py-1.5">
      <p>{TROUBLES[one.trouble]}</p>
      {(one.trouble === 'gone' || one.trouble === 'asks') && (
        <button type="button" className="line-button mt-1" onClick={() => void keep()}>
          Keep it as a note of its own
        </button>
      )}
    </div>
  );
}

/** Keeps an address that somebody else lent at hand. */
function PinLent() {
  const dispatch = useAppDispatch();
  const pins = useAppSelector((state) => state.frame.pins);
  const [address, setAddress] = useState('');
  const [title, setTitle] = useState('');
  const isWrong = address.trim() !== '' && lentSecret(address.trim()) === null;
  const pin = (event: FormEvent): void => {
    event.preventDefault();
    const secret = lentSecret(address.trim());
    if (secret === null) return;
    const clean = lentAddress(new URL(address.trim()).origin, secret);
    if (!pins.some((one) => one.address === clean))
      dispatch(frameSlice.actions.pinToggled({ address: clean, title: title.trim() || 'Lent to me' }));
    say('Pinned in the rack.');
    setAddress('');
    setTitle('');
  };
  return (
    <form className="grid max-w-[46ch] gap-2" onSubmit={pin}>
      <p>An address that somebody gave you stays at hand in the rack; a click opens it in a window of its own.</p>
      <Labelled label="Its address">
        <input
          className="field"
          inputMode="url"
          placeholder="https://…/lent/#…"
          value={address}
          aria-invalid={isWrong}
          aria-describedby={isWrong ? 'lent-address-wrong' : undefined}
          onChange={({ target }) => setAddress(target.value)}
        />
      </Labelled>
      {isWrong && (
        <p id="lent-address-wrong" className="text-late">
          This is no address of something lent: it ends with /lent/# and 22 letters.
        </p>
      )}
      <Labelled label="What you call it">
        <input className="field" value={title} onChange={({ target }) => setTitle(target.value)} />
      </Labelled>
      <button type="submit" className="line-button justify-self-start" disabled={lentSecret(address.trim()) === null}>
        Pin it in the rack
      </button>
    </form>
  );
}
