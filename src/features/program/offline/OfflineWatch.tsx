import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { useLatest } from '../../../ui/use-latest';
import { useServices } from '../../session/state/services';
import { catchInstall } from './install';
import { keepOffline } from './keep-offline';

/** Keeps the program in this browser, as long as the page is there. */
export default function OfflineWatch() {
  const { texts } = useServices();
  const navigate = useLatest(useNavigate());
  useEffect(() => {
    catchInstall();
    // What the development server gives is no build, and old after a moment.
    if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
    // A browser that keeps no programs opens this one by the network, as any page.
    void keepOffline(texts, (address) => void navigate.current(address)).catch(() => undefined);
  }, [texts, navigate]);
  return null;
}
