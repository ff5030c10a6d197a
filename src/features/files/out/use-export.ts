import { useCallback } from 'react';
import { isoDay } from '../../../core/calendar/day';
import { EARLIER_FILE } from '../../../store/keep/earlier-name';
import { LEFT_BROWSER, leavesNow } from '../../../store/keep/left-browser';
import { SETTINGS_FILE } from '../../../store/device/settings-file';
import { refuse, say, unsay } from '../../session/acting/messages';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { saveFile } from './save-file';

const SHOWN = 'export';

/** Saves everything, with the settings and the texts that notes had before, as a zip to the browser's downloads; it says how far it is, and can be stopped. */
export function useExport(): () => Promise<void> {
  const { texts, clock, store } = useServices();
  const settings = useAppSelector((state) => state.settings);
  return useCallback(async () => {
    const stop = new AbortController();
    const working = { id: SHOWN, is: 'working', action: { words: 'Stop', act: () => stop.abort() } } as const;
    say('Packing all notes…', working);
    try {
      // What is being typed belongs to it.
      const [{ packAll }, { earlierFile }] = await Promise.all([
        import('../../../engine/files/files'),
        import('../../../store/keep/earlier-file'),
        texts.saveAll(),
      ]);
      const others = { [SETTINGS_FILE]: `${JSON.stringify(settings, null, 2)}\n`, [EARLIER_FILE]: await earlierFile(store.db) };
      const told = (packed: number, all: number): void =>
        void say(`Packing: ${packed.toLocaleString('en')} of ${all.toLocaleString('en')} notes`, working);
      const zip = await packAll(others, told, stop.signal);
      unsay(SHOWN);
      if (zip) {
        saveFile(`recado-${isoDay(clock.now().day)}.zip`, zip);
        await store.changeValue(LEFT_BROWSER, leavesNow(Date.now()));
      } else say('The export was stopped; no file was made.');
    } catch (error) {
      unsay(SHOWN);
      refuse(`The export failed: ${error instanceof Error ? error.message : String(error)} Your notes are as they were.`);
    }
  }, [texts, settings, clock, store]);
}
