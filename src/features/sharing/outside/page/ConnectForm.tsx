import { useState } from 'react';
import type { OutsideListing } from '../../../../core/sharing/outside/outside-task';
import type { OutsideAccount } from '../../../../store/outside/outside-record';
import { OutsideTroubled, TROUBLES, listsOf } from '../../../../store/outside/outside-remote';
import type { SeenList } from '../../../../store/outside/seen-lists';
import { refuse, say } from '../../../session/telling/messages';
import { counted } from '../../../session/acting/use-act';
import { useServices } from '../../../session/state/services';
import { freeListName } from './list-names';
import { useLookNow } from '../use-outside-lists';
import { Labelled } from '../../../../ui/form/Labelled';
import { Check } from '../../../../ui/form/Check';

interface ConnectFormProps {
  lists: readonly SeenList[];
  /** The list whose key is entered anew; null to find lists. */
  renewed: SeenList | null;
  onClose: () => void;
}

/** Finds the lists of an account, and follows those that are chosen; or enters the key of one anew. */
export function ConnectForm({ lists, renewed, onClose }: ConnectFormProps) {
  const { outside } = useServices();
  const look = useLookNow();
  const [address, setAddress] = useState(renewed?.address ?? lists[0]?.address ?? '');
  const [user, setUser] = useState(renewed?.user ?? lists[0]?.user ?? '');
  const [key, setKey] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [found, setFound] = useState<readonly OutsideListing[] | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const account = (): OutsideAccount => ({ protocol: 'caldav', address: withScheme(address), user: user.trim(), key });
  const find = async (): Promise<void> => {
    setBusy(true);
    setProblem(null);
    try {
      const listings = await listsOf(account());
      if (renewed) {
        const desk = await outside.open();
        for (const { name } of lists.filter((one) => one.address === renewed.address && one.user === renewed.user))
          await desk.changeAccount(name, account());
        look();
        say('The key is taken; the lists are looked at.');
        onClose();
        return;
      }
      setFound(listings);
      setChosen(new Set(listings.length === 1 ? listings.map(({ id }) => id) : []));
    } catch (error) {
      setProblem(error instanceof OutsideTroubled ? TROUBLES[error.trouble] : 'That is no address of a service.');
    } finally {
      setBusy(false);
    }
  };
  const follow = async (): Promise<void> => {
    try {
      const desk = await outside.open();
      const names = new Set(lists.map(({ name }) => name.toLowerCase()));
      const wanted = (found ?? []).filter(({ id }) => chosen.has(id));
      for (const one of wanted) {
        const name = freeListName(one.title, names);
        names.add(name.toLowerCase());
        await desk.follow(account(), one, name);
      }
      say(`${counted(wanted.length, 'list')} followed from now on.`);
      onClose();
    } catch {
      refuse('The lists could not be kept. Nothing was changed.');
    }
  };
  return (
    <form
      className="my-3 grid max-w-[46ch] gap-2 rounded-md border border-line bg-sheet p-3"
      aria-label={renewed ? 'Enter the key anew' : 'Follow lists of a service'}
      onSubmit={(event) => {
        event.preventDefault();
        if (found) void follow();
        else void find();
      }}
    >
      <Labelled label="Address of the service">
        <input
          className="field"
          inputMode="url"
          autoFocus={renewed === null}
          required
          placeholder="https://lists.museum.example"
          value={address}
          onChange={({ target }) => {
            setAddress(target.value);
            setFound(null);
          }}
        />
      </Labelled>
      <div className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        <Labelled label="Name there">
          <input className="field" autoComplete="off" value={user} onChange={({ target }) => setUser(target.value)} />
        </Labelled>
        <Labelled label="Access key or password">
          <input
            className="field"
            type="password"
            autoComplete="off"
            autoFocus={renewed !== null}
            required
            value={key}
            onChange={({ target }) => setKey(target.value)}
          />
        </Labelled>
      </div>
      <p className="text-[0.86rem] text-muted">
        It must speak CalDAV with tasks. The key is kept in this browser alone, readable to whoever may use it; the server of this page
        passes it on and keeps nothing.
      </p>
      {problem !== null && (
        <p role="alert" className="text-late">
          {problem}
        </p>
      )}
      {found && (
        <fieldset>
          <legend className="section-label mb-1">{found.length === 0 ? 'There are no lists of tasks there' : 'Lists there'}</legend>
          {found.map(({ id, title }) => (
            <Check key={id} checked={chosen.has(id)} onChange={(checked) => setChosen((present) => toggled(present, id, checked))}>
              {title}
            </Check>
          ))}
        </fieldset>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="solid-button" disabled={busy || key === '' || (found !== null && chosen.size === 0)}>
          {busy ? 'Asking…' : found ? 'Follow them' : renewed ? 'Take the key' : 'Find its lists'}
        </button>
        <button type="button" className="quiet-button" onClick={onClose}>
          Cancel
        </button>
      </div>
    </form>
  );
}

/** An address as people type it; what is on this machine is seldom encrypted. */
function withScheme(typed: string): string {
  const address = typed.trim();
  if (/^https?:\/\//i.test(address)) return address;
  return `${/^(?:localhost|127\.0\.0\.1)\b/i.test(address) ? 'http' : 'https'}://${address}`;
}

function toggled(set: ReadonlySet<string>, one: string, on: boolean): ReadonlySet<string> {
  const next = new Set(set);
  if (on) next.add(one);
  else next.delete(one);
  return next;
}
