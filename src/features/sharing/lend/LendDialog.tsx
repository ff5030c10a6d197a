import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { dayNamed } from '../../../core/calendar/spoken/day-named';
import { dayName } from '../../../core/calendar/day-name';
import { type Day, civilFrom, dayOfDate, isoDay } from '../../../core/calendar/day';
import type { LentRights } from '../../../core/sharing/lend/lent-messages';
import { lend, lendOtherwise } from '../../../store/lending/lend';
import { ownServer } from '../../../store/lending/lending-server';
import { Choice } from '../../../ui/form/Choice';
import { Dialog } from '../../../ui/Dialog';
import { copyText } from '../../session/acting/copy-text';
import { say } from '../../session/telling/messages';
import type { AskedDialog, AskedLending, AskedTakeOut } from '../../session/acting/task-dialog';
import { useServerOffers } from '../../session/acting/use-server-offers';
import { helpAddress, lentAddress as lentPage } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow, useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { REACH_WORDS, lentAddress, reachOf } from './lent-words';
import { placeLent } from './place-lent';
import { useLent } from './use-lent';
import { Labelled } from '../../../ui/form/Labelled';
import { Check } from '../../../ui/form/Check';

interface LendDialogProps {
  asked: Extract<AskedDialog, { is: 'lend' }>;
  onClose: () => void;
}

/** Lends something by an address, or changes how it is lent. */
export function LendDialog({ asked, onClose }: LendDialogProps) {
  const offers = useServerOffers('/lending');
  const lent = useLent();
  const changed = 'name' in asked ? (lent?.find(({ name }) => name === asked.name) ?? null) : null;
  const title = 'name' in asked ? (changed?.title ?? '') : asked.title;
  const [address, setAddress] = useState<string | null>(null);
  return (
    <Dialog open onClose={onClose} title={'name' in asked ? 'How it is lent' : 'Lend'}>
      <p className="mb-3 text-muted [overflow-wrap:anywhere]">{title}</p>
      {offers === null && <p role="status">Looking…</p>}
      {offers === false && <NotHere asked={asked} onClose={onClose} />}
      {offers === true && address !== null && <Address address={address} onClose={onClose} />}
      {offers === true && address === null && lent !== undefined && (
        <Terms asked={asked} present={changed} onLent={setAddress} onClose={onClose} />
      )}
    </Dialog>
  );
}

/** What it needs, and what can be given away all the same. */
function NotHere({ asked, onClose }: LendDialogProps) {
  return (
    <div className="grid gap-3">
      <p>
        Lending needs the server of Recado, and this page was opened without it, or it cannot be reached now. Everything else works.{' '}
        <Link className="name-link" to={helpAddress('lending')} onClick={onClose}>
          How it is run for others
        </Link>
      </p>
      {!('name' in asked) && <AsPage asked={asked} />}
    </div>
  );
}

/** A file that every browser shows, for those who cannot be reached. */
function AsPage({ asked }: { asked: AskedLending }) {
  const dispatch = useAppDispatch();
  const open = (): void => void dispatch(frameSlice.actions.dialogShown({ is: 'take-out', ...takenOf(asked), first: 'html' }));
  return (
    <button type="button" className="line-button justify-self-start" onClick={open}>
      Save it as a web page to read…
    </button>
  );
}

function takenOf(asked: AskedLending): AskedTakeOut {
  const { title } = asked;
  switch (asked.what) {
    case 'note':
      return { what: 'note', path: asked.path, title };
    case 'list':
      return { what: 'lists', texts: [asked.text], at: asked.at, title };
    default:
      return { what: 'lines', ref: asked.ref, title };
  }
}

interface TermsProps {
  asked: LendDialogProps['asked'];
  /** How it is lent now; null for not yet. */
  present: NonNullable<ReturnType<typeof useLent>>[number] | null;
  onLent: (address: string) => void;
  onClose: () => void;
}

function Terms({ asked, present, onLent, onClose }: TermsProps) {
  const services = useServices();
  const now = useNow();
  const { firstDayOfWeek, dateStyle } = useAppSelector((state) => state.settings);
  const isList = present ? present.kind === 'list' : !('name' in asked) && asked.what === 'list';
  const [rights, setRights] = useState<LentRights>(present?.rights ?? 'read');
  const [who, setWho] = useState(present?.who ?? '');
  const [last, setLast] = useState(present?.until == null ? '' : lastDayOf(present.until));
  const [word, setWord] = useState('');
  const [takesWord, setTakesWord] = useState(present?.hasWord ?? false);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const day = last.trim() === '' ? null : dayNamed(last, { today: now.day, firstDayOfWeek });
  const isDayWrong = last.trim() !== '' && (day === null || day < now.day);
  const until = day === null ? null : endOf(day);
  const reach = reachOf(location.hostname);

  const begin = async (): Promise<string | null> => {
    if ('name' in asked) {
      const change = { rights, until, who: who.trim(), ...(word !== '' ? { word } : !takesWord && present?.hasWord ? { word: null } : {}) };
      const refused = await lendOtherwise(services.store, ownServer, asked.name, change);
      if (refused !== null) return refused;
      say('It is lent so from now on.');
      onClose();
      return null;
    }
    const placed = await placeLent(services, asked);
    if ('refused' in placed) return placed.refused;
    const terms = { ...placed, title: asked.title, who: who.trim(), rights, until, word: word === '' ? null : word };
    const branch = await lend(services.store, ownServer, terms, Date.now());
    if ('refused' in branch) return branch.refused;
    onLent(lentAddress(location.origin, branch.address));
    return null;
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (busy || isDayWrong) return;
    setBusy(true);
    setProblem(null);
    void begin()
      .catch(() => 'The server was not reached, so nothing was changed. Try it again.')
      .then((refused) => {
        setProblem(refused);
        setBusy(false);
      });
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <Choice
        label="How"
        value={rights}
        options={
          isList
            ? [
                ['read', 'To read'],
                ['tick', 'To tick: each tick lands on its own line'],
              ]
            : [
                ['read', 'To read'],
                ['write', 'To write: tick, write, move, add'],
              ]
        }
        onChoose={setRights}
      />
      <div className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        <Labelled label="To whom, for your own list">
          <input className="field" autoFocus maxLength={60} value={who} onChange={({ target }) => setWho(target.value)} />
        </Labelled>
        <Labelled label="Last day">
          <input
            className="field"
            placeholder="none; or: end of month"
            value={last}
            aria-invalid={isDayWrong}
            aria-describedby="last-understood"
            onChange={({ target }) => setLast(target.value)}
          />
          <span id="last-understood" className={`text-[0.86rem] ${isDayWrong ? 'text-late' : 'text-muted'}`}>
            {isDayWrong ? 'This is no day from today on.' : day !== null ? dayName(day, now.day, dateStyle) : ''}
          </span>
        </Labelled>
      </div>
      {present?.hasWord && (
        <Check checked={takesWord} onChange={setTakesWord}>
          A word is asked for
        </Check>
      )}
      <Labelled label={present?.hasWord ? 'Another word' : 'A word that is asked for'}>
        <input className="field" autoComplete="off" maxLength={100} value={word} onChange={({ target }) => setWord(target.value)} />
      </Labelled>
      <p className="text-[0.9rem] text-muted">
        {REACH_WORDS[reach]} They see this and nothing else of your notes. What is lent lies readable on the server as long as it is lent.{' '}
        {reach !== 'all' && (
          <Link className="name-link" to={helpAddress('lending')} onClick={onClose}>
            How it is run for others
          </Link>
        )}
      </p>
      {problem !== null && (
        <p role="alert" className="text-late">
          {problem}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="solid-button" disabled={busy || isDayWrong}>
          {busy ? 'Lending…' : present ? 'Lend it so' : 'Lend'}
        </button>
        {reach !== 'all' && !('name' in asked) && <AsPage asked={asked} />}
      </div>
    </form>
  );
}

function Address({ address, onClose }: { address: string; onClose: () => void }) {
  return (
    <div className="grid gap-3">
      <Labelled label="Its address">
        <input className="field font-mono text-[0.86rem]" readOnly autoFocus value={address} onFocus={({ target }) => target.select()} />
      </Labelled>
      <p className="text-[0.9rem] text-muted">Give it to those who are to have it. Whoever has it can open it, until you call it back.</p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="solid-button" onClick={() => void copyText(address)}>
          Copy the address
        </button>
        <Link className="line-button" to={lentPage()} onClick={onClose}>
          All that is lent out
        </Link>
      </div>
    </div>
  );
}

/** The moment at which a day is over here, in milliseconds since 1970. */
function endOf(last: Day): number {
  const { year, month, day } = civilFrom(last + 1);
  return new Date(year, month - 1, day).getTime();
}

const lastDayOf = (until: number): string => isoDay(dayOfDate(new Date(until - 1)));
