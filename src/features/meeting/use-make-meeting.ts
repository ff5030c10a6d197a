import { useCallback, useRef } from 'react';
import { KIND_FOLDERS } from '../note/kind-folders';
import { refuse } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { useMadeText } from '../session/acting/use-made-text';
import { useServices } from '../session/state/services';
import type { MeetingToMake } from './meeting-fields';

/**
 * Makes the note of a meeting, from its template where there is one, with its day in the name of the file. While one is being made, a second
 * press makes none.
 *
 * @returns its path; null where none was made
 */
export function useMakeMeeting(): (meeting: MeetingToMake) => Promise<string | null> {
  const { actions } = useServices();
  const madeText = useMadeText();
  const told = useToldDone();
  const making = useRef(false);
  return useCallback(
    async (meeting) => {
      if (making.current) return null;
      making.current = true;
      try {
        const [{ fieldsOfMeeting }, { meetingFileName }, { withFields }] = await Promise.all([
          import('./meeting-fields'),
          import('../../core/meeting/meeting-title'),
          import('../../core/note/facts/with-fields'),
        ]);
        const { title, date, people = [] } = meeting;
        const answers = new Map(people.length === 0 ? [] : [['people', people.map((one) => `@${one}`).join(', ')]]);
        const text = withFields(await madeText('meeting', title, date, answers), fieldsOfMeeting(meeting));
        const made = await actions.create(KIND_FOLDERS.meeting, meetingFileName(date, title), text);
        if ('refused' in made) refuse(made.refused);
        else told(`Meeting ${title}`, made.step);
        return 'refused' in made ? null : made.path;
      } finally {
        making.current = false;
      }
    },
    [actions, madeText, told],
  );
}
