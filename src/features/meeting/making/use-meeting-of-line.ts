import { useCallback } from 'react';
import type { Day } from '../../../core/calendar/day';
import { baseNameOf } from '../../../core/note/names/path';
import type { LineRef } from '../../../core/task/writing/edit';
import { refuse } from '../../session/telling/messages';
import { useServices } from '../../session/state/services';
import { useMakeMeeting } from './use-make-meeting';

/** Makes a meeting of the line of an appointment, which leads to it from then on. */
export function useMeetingOfLine(): (ref: LineRef, date: Day) => Promise<void> {
  const { actions } = useServices();
  const makeMeeting = useMakeMeeting();
  return useCallback(
    async (ref, date) => {
      const { linkedToMeeting, meetingOfLine } = await import('../../../core/meeting/appointment-meeting');
      const said = meetingOfLine(ref.expected);
      if (!said) return void refuse('An appointment that becomes a meeting begins with its time, as in “- 11:30-12:15 Call with @teo”.');
      const path = await makeMeeting({ ...said, date });
      if (path === null) return;
      const result = await actions.replaceLine(ref, linkedToMeeting(ref.expected, baseNameOf(path), said.title), `Meeting ${said.title}`);
      if ('refused' in result) refuse(result.refused);
    },
    [actions, makeMeeting],
  );
}
