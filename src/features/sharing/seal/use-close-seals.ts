import { useCallback } from 'react';
import { say } from '../../session/telling/messages';
import { useServices } from '../../session/state/services';

/** Closes all seals, in every tab. */
export function useCloseSeals(): () => void {
  const { seals } = useServices();
  return useCallback(() => {
    if (seals.present().open.size === 0) return void say('No seal is open.');
    const { opened } = seals;
    // Here first: closing takes away what was said before.
    const close = async (): Promise<void> => {
      await opened?.close();
      await opened?.closeEverywhere();
    };
    void close().then(
      () => say('Closed: sealed notes can be read by nobody now.'),
      () => say('The seals could not be closed: what was typed last is not stored yet.', { is: 'refused' }),
    );
  }, [seals]);
}
