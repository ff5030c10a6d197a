import { useEffect, useState } from 'react';
import type { DeskDevice } from '../../../store/desk/desk-keys';
import type { LinkedDesk } from '../../../store/desk/linked-desk';
import { refuse, say } from '../../session/telling/messages';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { momentName } from '../kept-words';
import { devicesOf, unlinkOther } from './desk-setup';

interface DevicesProps {
  linked: LinkedDesk;
  /** When the desk was looked at last: another device may have come or gone since. */
  looked: number;
  onUnlinked: () => void;
}

/** The devices that share a desk; one that was lost is unlinked from any other. */
export function Devices({ linked, looked, onUnlinked }: DevicesProps) {
  const { store } = useServices();
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const [devices, setDevices] = useState<readonly DeskDevice[] | 'away' | null>(null);
  const [meant, setMeant] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    devicesOf(linked).then(
      (found) => !gone && setDevices(found),
      () => !gone && setDevices('away'),
    );
    return () => {
      gone = true;
    };
  }, [linked, looked]);
  const unlink = async ({ id, name }: DeskDevice): Promise<void> => {
    setMeant(null);
    try {
      await unlinkOther(store, linked, id);
      say(`“${name}” is unlinked: it is let in no more, and everything is sealed anew.`);
    } catch {
      refuse(`“${name}” could not be unlinked now. Try it again.`);
    }
    onUnlinked();
  };
  if (devices === null) return <p className="text-muted">Looking for the devices…</p>;
  if (devices === 'away') return <p className="text-muted">Which devices share it cannot be seen now.</p>;
  return (
    <ul aria-label="Devices" className="mt-1">
      {devices.map((device, index) => (
        <li key={device.id} className="border-b border-line py-1">
          <span className="flex flex-wrap items-center gap-x-2">
            <span className="me-auto min-w-0 [overflow-wrap:anywhere]">
              {device.name}
              <span className="text-[0.86rem] text-muted">
                {' '}
                {index === 0 ? 'this device, ' : ''}linked {momentName(device.since, today, style)}
              </span>
            </span>
            {index > 0 && meant !== device.id && (
              <button type="button" className="quiet-button" aria-label={`Unlink ${device.name}`} onClick={() => setMeant(device.id)}>
                Unlink…
              </button>
            )}
          </span>
          {meant === device.id && (
            <span role="alert" className="mt-1 flex flex-wrap items-center gap-2 rounded-md bg-raised px-3 py-2">
              <span className="me-auto">It keeps the notes that it has, and gets no more. Everything on the server is sealed anew.</span>
              <button type="button" className="line-button" onClick={() => void unlink(device)}>
                Unlink it
              </button>
              <button type="button" className="quiet-button" onClick={() => setMeant(null)}>
                Keep it
              </button>
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
