import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { type LinkedDesk, readLinkedDesk } from '../../../store/desk/linked-desk';
import { refuse, say } from '../../session/telling/messages';
import { useServerOffers } from '../../session/acting/use-server-offers';
import { linkAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { StepReport } from '../folder/StepReport';
import { useStepPlace } from '../folder/use-step-place';
import { Devices } from './Devices';
import { InviteDialog } from './InviteDialog';
import { beginDeskHere, leaveDesk } from './desk-setup';
import { DESK } from './desk-values';
import { thisDeviceName } from './device-name';
import { whyFailed } from '../../session/telling/why-failed';

/** The desk on the server that all devices of a person share: begun, linked on others, and left. */
export function DeskPart() {
  const { place: linked, state, wish } = useStepPlace(DESK, readLinkedDesk);
  if (linked === 'unknown') return null;
  if (linked === null) return <NotLinked />;
  return (
    <>
      <StepReport name="The desk on the server" state={state} wish={wish} />
      <Linked linked={linked} looked={state?.at ?? 0} onLook={() => wish('look')} />
    </>
  );
}

function NotLinked() {
  const { store } = useServices();
  const offers = useServerOffers('/desks');
  const [busy, setBusy] = useState(false);
  const begin = async (): Promise<void> => {
    setBusy(true);
    try {
      await beginDeskHere(store, thisDeviceName());
      say('The desk is begun: your notes go to the server, sealed. Link your other devices from here.');
    } catch (error) {
      refuse(`The desk could not be begun. ${whyFailed(error)}`);
    }
    setBusy(false);
  };
  return (
    <>
      <p className="mb-2 text-muted">
        Several devices can share these notes through the server of this page: a phone, a second computer. Each note is sealed here before
        it leaves, so the server knows neither words nor titles.
      </p>
      {offers === null && <p role="status">Looking…</p>}
      {offers === false && <p className="text-muted">This page comes from a server that keeps no desks, or it cannot be reached now.</p>}
      {offers === true && (
        <p className="flex flex-wrap gap-2">
          <button type="button" className="line-button" disabled={busy} onClick={() => void begin()}>
            {busy ? 'Beginning…' : 'Begin a desk on the server'}
          </button>
          <Link className="line-button" to={linkAddress()}>
            Link to a desk there is
          </Link>
        </p>
      )}
    </>
  );
}

function Linked({ linked, looked, onLook }: { linked: LinkedDesk; looked: number; onLook: () => void }): ReactNode {
  const { store } = useServices();
  const [inviting, setInviting] = useState(false);
  const [leaving, setLeaving] = useState<'no' | 'asked' | 'unreached'>('no');
  // The list is read anew when a device came or went.
  const [changed, setChanged] = useState(0);
  const leave = async (isForced: boolean): Promise<void> => {
    try {
      const isGone = await leaveDesk(store, linked, isForced);
      say(
        isGone ? 'The desk is gone from the server. Your notes here stay.' : 'This device is unlinked. Its notes stay, and the desk too.',
      );
    } catch (error) {
      setLeaving('unreached');
      refuse(`This device could not be unlinked. ${whyFailed(error)}`);
    }
  };
  return (
    <>
      <Devices key={changed} linked={linked} looked={looked} onUnlinked={() => setChanged((count) => count + 1)} />
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="solid-button" onClick={() => setInviting(true)}>
          Link another device…
        </button>
        <button type="button" className="line-button" onClick={onLook}>
          Look now
        </button>
        {leaving === 'no' && (
          <button type="button" className="line-button" onClick={() => setLeaving('asked')}>
            Unlink this device…
          </button>
        )}
      </p>
      {leaving !== 'no' && (
        <div role="alert" className="my-2 rounded-md bg-raised px-3 py-2">
          <p>
            {leaving === 'asked'
              ? 'Its notes stay here, and are kept in step no more. If it is the last device, the desk goes from the server.'
              : 'The server was not told. This device can forget the desk all the same; unlink it from another device then.'}
          </p>
          <p className="mt-1 flex flex-wrap gap-2">
            <button type="button" className="line-button" onClick={() => void leave(leaving === 'unreached')}>
              {leaving === 'asked' ? 'Unlink it' : 'Forget the desk here'}
            </button>
            <button type="button" className="quiet-button" onClick={() => setLeaving('no')}>
              Stay linked
            </button>
          </p>
        </div>
      )}
      {inviting && (
        <InviteDialog
          linked={linked}
          onClose={() => {
            setInviting(false);
            setChanged((count) => count + 1);
          }}
        />
      )}
    </>
  );
}
