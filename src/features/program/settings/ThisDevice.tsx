import { Link } from 'react-router';
import { helpAddress } from '../../session/places/addresses';
import { useInstall } from '../offline/install';
import { type OfflineState, useOffline } from '../offline/offline-state';

const SAYS: Record<OfflineState['is'], string> = {
  not: 'This browser does not keep the program yet: it is loaded by the network each time.',
  kept: 'The program is kept in this browser: it opens without a network.',
  newer: 'The program is kept in this browser. A newer one is here, and takes over when you pause.',
};

/** How this device has the program. */
export function ThisDevice() {
  const offline = useOffline();
  const install = useInstall();
  return (
    <section>
      <h2 className="section-label mb-1">This device</h2>
      <p role="status" className="mb-2 text-[0.92rem] text-muted">
        {SAYS[offline.is]}{' '}
        <Link className="name-link" to={helpAddress('devices')}>
          Several devices
        </Link>
      </p>
      <div className="flex flex-wrap gap-2">
        {offline.is === 'newer' && (
          <button type="button" className="solid-button" onClick={offline.takeOver}>
            Load the newer one now
          </button>
        )}
        {install && (
          <button type="button" className="line-button" onClick={install}>
            Install Recado
          </button>
        )}
      </div>
    </section>
  );
}
