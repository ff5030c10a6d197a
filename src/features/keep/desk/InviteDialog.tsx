import { useEffect, useState } from 'react';
import { type Invited, INVITATION_LASTS, invite, withdrawInvitation } from '../../../store/desk/invitation';
import type { DeskDevice } from '../../../store/desk/desk-keys';
import { fetchKeys } from '../../../store/desk/device-list';
import type { LinkedDesk } from '../../../store/desk/linked-desk';
import { Dialog } from '../../../ui/Dialog';
import { copyText } from '../../session/acting/copy-text';
import { linkAddress } from '../../session/places/addresses';
import { ScanCode } from './ScanCode';
import { withDesk } from './desk-setup';
import { whyFailed } from '../../session/telling/why-failed';

/** How often it is looked whether the device came, in milliseconds. */
const LOOK_EACH = 3000;

interface InviteDialogProps {
  linked: LinkedDesk;
  onClose: () => void;
}

/** Words, and a code that holds them, by which another device is linked within ten minutes. */
export function InviteDialog({ linked, onClose }: InviteDialogProps) {
  const { invited, came, problem } = useInvitation(linked);
  return (
    <Dialog open onClose={onClose} title="Link another device">
      {problem !== null && <p role="alert">{problem}</p>}
      {problem === null && came === null && (
        <div className="grid gap-3">
          <p>Scan this with the other device, or open Recado there at the same address, choose “Link to a desk” and type the words.</p>
          {invited ? (
            <>
              <ScanCode words={location.origin + linkAddress(invited.words)} label="The code of the invitation" />
              <p className="rounded-md bg-raised px-3 py-2 text-center font-mono text-[1.06rem]" data-testid="link-words">
                {invited.words}
              </p>
              <p className="flex flex-wrap items-center gap-2 text-[0.9rem] text-muted">
                <span className="me-auto">They work once, within ten minutes, and as long as this is open.</span>
                <button type="button" className="quiet-button" onClick={() => void copyText(invited.words)}>
                  Copy the words
                </button>
              </p>
            </>
          ) : (
            <p role="status">Sealing the invitation…</p>
          )}
          {location.hostname === 'localhost' && (
            <p className="text-[0.9rem] text-muted">
              This page is open at an address of this computer alone: other devices reach it by the address that it has for them.
            </p>
          )}
        </div>
      )}
      {came !== null && (
        <div className="grid gap-3">
          <p role="status">“{came}” is linked. Its notes and yours are brought together now.</p>
          <button type="button" className="solid-button justify-self-start" autoFocus onClick={onClose}>
            Done
          </button>
        </div>
      )}
    </Dialog>
  );
}

/** An invitation as long as the dialog is open; taken back with it where nobody came. */
function useInvitation(linked: LinkedDesk): { invited: Invited | null; came: string | null; problem: string | null } {
  const [invited, setInvited] = useState<Invited | null>(null);
  const [came, setCame] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const closed = new AbortController();
    const isOpen = (): boolean => !closed.signal.aborted;
    void withDesk(linked, async (remote, sealer) => {
      const one = await invite(remote, sealer, linked);
      if (isOpen()) setInvited(one);
      const until = Date.now() + INVITATION_LASTS;
      let device: DeskDevice | undefined;
      while (isOpen() && !device && Date.now() < until) {
        await pause(LOOK_EACH, closed.signal);
        // Without an answer it is looked again.
        const found = await fetchKeys(remote, sealer, linked).catch(() => null);
        device = found?.keys.devices.find(({ id }) => id === one.device);
      }
      if (device && isOpen()) return setCame(device.name);
      if (isOpen()) setProblem('The ten minutes are over. Close this and begin again.');
      await withdrawInvitation(remote, sealer, linked, one);
    }).catch((error: unknown) => isOpen() && setProblem(whyFailed(error)));
    return () => closed.abort();
  }, [linked]);
  return { invited, came, problem };
}

/** Waits so many milliseconds, or until a signal comes. */
const pause = (time: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(resolve, time);
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      resolve();
    });
  });
