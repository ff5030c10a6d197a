import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { SeenList } from '../../../../store/outside/seen-lists';
import { AgendaLists } from '../../../pages/agenda/AgendaLists';
import { Sheet } from '../../../note/page/Sheet';
import { SheetPart } from '../../../note/page/SheetPart';
import { PinHere } from '../../../frame/rack/PinHere';
import { say } from '../../../session/telling/messages';
import { useServerOffers } from '../../../session/acting/use-server-offers';
import { counted } from '../../../session/acting/use-act';
import { helpAddress, outsideAddress } from '../../../session/places/addresses';
import { useNow, useServices } from '../../../session/state/services';
import { useAppSelector } from '../../../session/state/state';
import { ConnectForm } from './ConnectForm';
import { ListState } from './ListState';
import { stateWords } from '../outside-words';
import { useLookNow, useOutsideLists } from '../use-outside-lists';

/** The outside lists that are followed, or one of them with its tasks. */
export function OutsidePage() {
  const name = useParams()['*'] ?? '';
  const lists = useOutsideLists();
  if (!lists) return <Sheet title="Outside lists" busy />;
  if (name === '') return <AllLists lists={lists} />;
  const list = lists.find((one) => one.name.toLowerCase() === name.toLowerCase());
  return list ? <OneList key={list.name} list={list} lists={lists} /> : <NoList name={name} />;
}

function AllLists({ lists }: { lists: readonly SeenList[] }) {
  const offers = useServerOffers('/services');
  const [adding, setAdding] = useState(false);
  const { day } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  return (
    <Sheet title="Outside lists">
      <header className="mb-4">
        <h1 className="font-title text-[1.86rem] leading-tight font-bold">Outside lists</h1>
        <p className="text-muted">
          A task list that must be kept elsewhere, a mail program’s or a team’s, kept in step from here: what is joined is one task on two
          faces.{' '}
          <Link className="name-link" to={helpAddress('outside')}>
            How that works
          </Link>
        </p>
      </header>
      {lists.length === 0 && !adding && <p className="mb-3">No list is followed yet.</p>}
      {lists.length > 0 && (
        <ul className="mb-3 grid gap-1">
          {lists.map((list) => (
            <li key={list.name}>
              <Link className="name-link font-semibold" to={outsideAddress(list.name)}>
                {list.name}
              </Link>{' '}
              <span className="text-muted">
                {counted(list.tasks, 'task')}, {list.joined} joined. {list.asks.length + list.lost.length > 0 && 'Something is asked. '}
                {stateWords(list, day, style)}
              </span>
            </li>
          ))}
        </ul>
      )}
      {offers === null && <p role="status">Looking…</p>}
      {offers === false && (
        <p className="text-muted">This page comes from a server that calls no outside services, or it cannot be reached now.</p>
      )}
      {offers === true &&
        (adding ? (
          <ConnectForm lists={lists} renewed={null} onClose={() => setAdding(false)} />
        ) : (
          <button type="button" className={lists.length === 0 ? 'solid-button' : 'line-button'} onClick={() => setAdding(true)}>
            Follow a list…
          </button>
        ))}
    </Sheet>
  );
}

function OneList({ list, lists }: { list: SeenList; lists: readonly SeenList[] }) {
  const { name, title, address } = list;
  const look = useLookNow();
  const [renewing, setRenewing] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const there = useMemo(
    () => [
      `title Open there\nfrom outside "${name}"\nwhere open\nincluding resting`,
      `title Closed there\nfrom outside "${name}"\nwhere closed\norder by done desc\nlimit 50`,
    ],
    [name],
  );
  const toSend = useMemo(
    () => ['where open and without joined and without sent and kind != archive\ngroup by note\nlimit 200\nincluding resting'],
    [],
  );
  return (
    <Sheet title={name}>
      <header className="mb-3">
        <p className="text-[0.86rem] text-muted">
          <Link className="name-link" to={outsideAddress()}>
            Outside list
          </Link>{' '}
          at {hostOf(address)}
          {title !== name && `, called “${title}” there`}
        </p>
        <div className="flex items-center gap-2">
          <h1 className="min-w-0 flex-1 font-title text-[1.86rem] leading-tight font-bold">{name}</h1>
          <PinHere title={name} />
        </div>
        <ListState list={list} />
        <p className="no-print mt-2 flex flex-wrap gap-2">
          <button type="button" className="line-button" onClick={look}>
            Look now
          </button>
          {list.trouble === 'refused' && !renewing && (
            <button type="button" className="solid-button" onClick={() => setRenewing(true)}>
              Enter the key again…
            </button>
          )}
          {!leaving && (
            <button type="button" className="quiet-button" onClick={() => setLeaving(true)}>
              Follow it no more…
            </button>
          )}
        </p>
        {renewing && <ConnectForm lists={lists} renewed={list} onClose={() => setRenewing(false)} />}
        {leaving && <Leaving name={name} onStay={() => setLeaving(false)} />}
      </header>
      <AgendaLists path="" gathers={there} look="page" />
      <SheetPart title="Not there yet">
        <p className="mb-2 text-muted">
          Open tasks that are on no outside list. Select what belongs there and press <em>Join or send on…</em> in its menu; this list runs
          empty.
        </p>
        <AgendaLists path="" gathers={toSend} look="page" />
      </SheetPart>
    </Sheet>
  );
}

function Leaving({ name, onStay }: { name: string; onStay: () => void }) {
  const { outside } = useServices();
  const navigate = useNavigate();
  const leave = async (): Promise<void> => {
    await (await outside.open()).leave(name);
    say(`“${name}” is followed no more. Its tasks stay there, and your lines here.`);
    void navigate(outsideAddress());
  };
  return (
    <div role="alert" className="my-2 rounded-md bg-raised px-3 py-2">
      <p>Its tasks stay there, and your lines stay here as they are; nothing keeps them in step. The key is forgotten.</p>
      <p className="mt-1 flex flex-wrap gap-2">
        <button type="button" className="line-button" onClick={() => void leave()}>
          Follow it no more
        </button>
        <button type="button" className="quiet-button" onClick={onStay}>
          Keep it
        </button>
      </p>
    </div>
  );
}

function NoList({ name }: { name: string }) {
  return (
    <Sheet title={name}>
      <h1 className="font-title text-[1.86rem] font-bold">No outside list “{name}” is followed here</h1>
      <p className="mt-2 text-muted">
        See{' '}
        <Link className="name-link" to={outsideAddress()}>
          the outside lists
        </Link>
        .
      </p>
    </Sheet>
  );
}

const hostOf = (address: string): string => (URL.canParse(address) ? new URL(address).host : address);
