import { useState } from 'react';
import { useStore } from 'react-redux';
import { agendaPages } from '../../frame/rack/folder-tree';
import { copyText } from '../../session/acting/copy-text';
import { refuse, say } from '../../session/telling/messages';
import { useServerOffers } from '../../session/acting/use-server-offers';
import { useServices } from '../../session/state/services';
import { type RootState, useAppSelector } from '../../session/state/state';
import { type Feed, changeFeed, feedAddress, newFeed } from './feed-state';
import { sendFeed, withdrawFeed } from './send-feed';
import { useFeed } from './use-feed';
import { Labelled } from '../../../ui/form/Labelled';
import { Check } from '../../../ui/form/Check';
import { whyFailed } from '../../session/telling/why-failed';

/** A calendar at an address that nobody can guess, which calendar programs read; begun, changed and withdrawn here. */
export function CalendarFeed() {
  const { store, engine, clock } = useServices();
  const redux = useStore<RootState>();
  const feed = useFeed();
  const offers = useServerOffers('/feeds');
  // What is chosen shows at once, until it is read as it is stored.
  const [chosen, setChosen] = useState<Feed | null>(null);
  if (chosen && feed && isAlike(chosen, feed)) setChosen(null);
  const change = async (next: Feed): Promise<void> => {
    setChosen(next);
    const { pages, events } = next;
    // What was sent meanwhile, or withdrawn in another tab, stays so.
    await changeFeed(store, (present) => (feed === null ? next : present && { ...present, pages, events }));
    const { settings, library } = redux.getState();
    await sendFeed({ store, engine, clock }, { settings, statuses: library.overview?.statuses ?? [] }).catch((error: unknown) =>
      refuse(`The calendar could not be made. ${whyFailed(error)}`),
    );
  };
  const withdraw = async (present: Feed): Promise<void> => {
    setChosen(null);
    if (await withdrawFeed({ store }, present)) say('Withdrawn: nobody can read it at that address any more.');
    else refuse('The server was not reached, so the calendar is still at its address. Try it again.');
  };
  if (feed === undefined || (feed === null && offers === null)) return <p role="status">Looking…</p>;
  if (!feed)
    return (
      <div className="grid gap-2">
        <p>
          Tasks with their alarms, appointments and meetings in the calendar program of your choice, at an address nobody can guess. What is
          in that calendar lies on the server, which can read it; no other word of your notes does.
        </p>
        {offers === true ? (
          <button
            type="button"
            className="line-button justify-self-start"
            onClick={() => void change(newFeed(['Agenda/Today.md', 'Agenda/Ahead.md']))}
          >
            Begin a calendar
          </button>
        ) : (
          <p className="text-muted">This page comes from a server that keeps no calendars.</p>
        )}
      </div>
    );
  return (
    <Present
      feed={chosen ? { ...feed, pages: chosen.pages, events: chosen.events } : feed}
      onChange={(next) => void change(next)}
      onWithdraw={() => void withdraw(feed)}
    />
  );
}

interface PresentProps {
  feed: Feed;
  onChange: (next: Feed) => void;
  onWithdraw: () => void;
}

function Present({ feed, onChange, onWithdraw }: PresentProps) {
  const overview = useAppSelector((state) => state.library.overview);
  const pages = overview ? agendaPages(overview.notes) : [];
  const address = feedAddress(feed);
  return (
    <div className="grid gap-3">
      <Labelled label="Its address">
        <input className="field font-mono text-[0.86rem]" readOnly value={address} onFocus={(event) => event.target.select()} />
      </Labelled>
      <p className="text-[0.9rem] text-muted">
        Give it to your calendar program as a calendar to subscribe to. Whoever has the address can read it, and so can the server
        {isLocal(location.hostname) ? '; this one is reached from this machine alone' : ''}.
      </p>
      <fieldset>
        <legend className="section-label mb-1">It holds the tasks of</legend>
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          {pages.map(({ path, title }) => (
            <Check
              key={path}
              checked={feed.pages.includes(path)}
              onChange={(checked) =>
                onChange({ ...feed, pages: checked ? [...feed.pages, path] : feed.pages.filter((one) => one !== path) })
              }
            >
              {title}
            </Check>
          ))}
        </div>
      </fieldset>
      <Check checked={feed.events} onChange={(checked) => onChange({ ...feed, events: checked })}>
        Appointments and meetings as well
      </Check>
      <p role="status" className={feed.problem === null ? 'text-[0.9rem] text-muted' : 'text-late'}>
        {feed.problem ?? sentWords(feed.sent)}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="line-button" onClick={() => void copyText(address)}>
          Copy the address
        </button>
        <button type="button" className="line-button" onClick={onWithdraw}>
          Withdraw it
        </button>
      </div>
    </div>
  );
}

const isAlike = (one: Feed, other: Feed): boolean => one.events === other.events && one.pages.join('\n') === other.pages.join('\n');

const isLocal = (host: string): boolean => host === 'localhost' || host === '127.0.0.1' || host === '[::1]';

const sentWords = (sent: number | null): string =>
  sent === null
    ? 'On its way to the server…'
    : `Sent last ${new Date(sent).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}; what changes follows within a minute while Recado is open.`;
