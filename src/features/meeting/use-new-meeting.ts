import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import type { RootState } from '../session/state/state';
import { useMakeMeeting } from './use-make-meeting';

/** Makes a meeting of today and goes there: with the person whose page is shown, or about the project. Its sentence says the rest. */
export function useNewMeeting(): () => Promise<void> {
  const { clock } = useServices();
  const store = useStore<RootState>();
  const navigate = useNavigate();
  const makeMeeting = useMakeMeeting();
  return useCallback(async () => {
    const [{ meetingFrom }, { noteOfPage }] = await Promise.all([import('./meeting-from'), import('../session/places/stored-text')]);
    const { overview } = store.getState().library;
    const path = await makeMeeting(meetingFrom(noteOfPage(window.location.pathname, overview), overview, clock.now().day));
    if (path !== null) void navigate(noteAddress(path));
  }, [clock, store, navigate, makeMeeting]);
}
