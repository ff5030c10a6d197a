import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import type { RootState } from '../../session/state/state';
import { useMakeMeeting } from './use-make-meeting';

/**
 * Makes a meeting of today and goes there, the cursor at the end of its text: with the person whose page is shown, or about the project. Its
 * sentence says the rest.
 */
export function useNewMeeting(): () => Promise<void> {
  const { clock, store } = useServices();
  const redux = useStore<RootState>();
  const navigate = useNavigate();
  const makeMeeting = useMakeMeeting();
  return useCallback(async () => {
    const [{ meetingFrom }, { noteOfPage }] = await Promise.all([import('./meeting-from'), import('../../session/places/stored-text')]);
    const { overview } = redux.getState().library;
    const path = await makeMeeting(meetingFrom(noteOfPage(window.location.pathname, overview), overview, clock.now().day));
    if (path === null) return;
    const end = (await store.text(path))?.length ?? 0;
    void navigate(noteAddress(path), { state: { cursor: { path, anchor: end, head: end } } });
  }, [clock, store, redux, navigate, makeMeeting]);
}
