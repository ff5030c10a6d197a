import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { KIND_FOLDERS } from '../note/kind-folders';
import { refuse } from '../session/acting/messages';
import { useMadeText } from '../session/acting/use-made-text';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import type { RootState } from '../session/state/state';

/** Makes a meeting of today and goes there: with the person whose page is shown, or about the project. Its sentence says the rest. */
export function useNewMeeting(): () => Promise<void> {
  const { actions, clock } = useServices();
  const store = useStore<RootState>();
  const navigate = useNavigate();
  const madeText = useMadeText();
  return useCallback(async () => {
    const [{ meetingFrom, newMeetingText }, { noteOfPage }] = await Promise.all([
      import('./new-meeting'),
      import('../session/places/stored-text'),
    ]);
    const { overview } = store.getState().library;
    const { day } = clock.now();
    const meeting = meetingFrom(noteOfPage(window.location.pathname, overview), overview, day);
    const answers = new Map([['people', meeting.people.map((one) => `@${one}`).join(', ')]]);
    const text = newMeetingText(await madeText('meeting', meeting.title, day, answers), meeting, day);
    const made = await actions.create(KIND_FOLDERS.meeting, meeting.file, text);
    if ('refused' in made) refuse(made.refused);
    else void navigate(noteAddress(made.path));
  }, [actions, clock, store, navigate, madeText]);
}
