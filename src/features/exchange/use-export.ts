import { useCallback } from 'react';
import { toast } from 'sonner';
import { isoDay } from '../../core/calendar/day';
import { SETTINGS_FILE } from '../../store/settings-file';
import { useServices } from '../session/services';
import { useAppSelector } from '../session/state';
import { saveFile } from './save-file';

const SHOWN = 'export';

/** Saves everything as a zip to the browser's downloads; it says how far it is, and can be stopped. */
export function useExport(): () => Promise<void> {
  const { texts, clock } = useServices();
  const settings = useAppSelector((state) => state.settings);
  return useCallback(async () => {
    const stop = new AbortController();
    const action = { label: 'Stop', onClick: () => stop.abort() };
    toast.loading('Packing all notes…', { id: SHOWN, action });
    try {
      // What is being typed belongs to it.
      const [{ packAll }] = await Promise.all([import('../../engine/pack'), texts.saveAll()]);
      const others = { [SETTINGS_FILE]: `${JSON.stringify(settings, null, 2)}\n` };
      const told = (packed: number, all: number): void =>
        void toast.loading(`Packing: ${packed.toLocaleString('en')} of ${all.toLocaleString('en')} notes`, { id: SHOWN, action });
      const zip = await packAll(others, told, stop.signal);
      toast.dismiss(SHOWN);
      if (zip) saveFile(`recado-${isoDay(clock.now().day)}.zip`, zip);
      else toast('The export was stopped; no file was made.');
    } catch (error) {
      toast.dismiss(SHOWN);
      toast.error(`The export failed: ${error instanceof Error ? error.message : String(error)} Your notes are as they were.`);
    }
  }, [texts, settings, clock]);
}
