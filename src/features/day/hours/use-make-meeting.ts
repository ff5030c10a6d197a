import { useCallback } from 'react';
import { type Day, isoDay } from '../../../core/calendar/day';
import { timeName } from '../../../core/calendar/span';
import { withFields } from '../../../core/note/facts/with-fields';
import { KIND_FOLDERS } from '../../note/kind-folders';
import { refuse } from '../../session/acting/messages';
import { useToldDone } from '../../session/acting/use-act';
import { useMadeText } from '../../session/acting/use-made-text';
import { useServices } from '../../session/state/services';
import { clock } from './use-item-place';

/** Makes the note of a meeting on a day and between two times, in minutes, from its template where there is one. */
export function useMakeMeeting(): (title: string, at: { day: Day; start: number; end: number }) => Promise<void> {
  const { actions } = useServices();
  const madeText = useMadeText();
  const told = useToldDone();
  return useCallback(
    async (title, { day, start, end }) => {
      const fields = { kind: 'meeting', date: isoDay(day), start: clock(start), end: clock(end) };
      const made = await actions.create(KIND_FOLDERS.meeting, title, withFields(await madeText('meeting', title, day), fields));
      if ('refused' in made) refuse(made.refused);
      else told(`Meeting ${timeName(start)} ${title}`, made.step);
    },
    [actions, madeText, told],
  );
}
