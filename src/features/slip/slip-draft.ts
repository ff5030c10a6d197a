import { deviceMemory } from '../../store/device/device-memory';

const KEY = 'recado slip';

/** What was typed into a slip that was left without storing it: it is there again when the next one is opened. */
export const slipDraft = {
  get: (): string => deviceMemory.get(KEY) ?? '',
  keep: (typed: string): void => {
    if (typed.trim() === '') deviceMemory.remove(KEY);
    else deviceMemory.set(KEY, typed);
  },
};
