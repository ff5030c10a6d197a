import { useCallback } from 'react';
import { toast } from 'sonner';
import { isoDay } from '../../core/calendar/day';
import { useServices } from '../session/services';
import { useAppSelector } from '../session/state';
import { saveFile } from './save-file';

/** Saves everything as a zip to the browser's downloads. */
export function useExport(): () => Promise<void> {
  const { store, clock } = useServices();
  const settings = useAppSelector((state) => state.settings);
  return useCallback(async () => {
    toast('Packing all notes…');
    const { exportAll } = await import('./export-notes');
    saveFile(`recado-${isoDay(clock.now().day)}.zip`, await exportAll(store, settings));
  }, [store, clock, settings]);
}
