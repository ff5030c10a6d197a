import { useCallback } from 'react';
import { type Day, isoDay } from '../../core/calendar/day';
import { withFields } from '../../core/note/facts/with-fields';
import { baseNameOf } from '../../core/note/names/path';
import { KIND_FOLDERS } from '../note/kind-folders';
import { refuse } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { useMadeText } from '../session/acting/use-made-text';
import { useServices } from '../session/state/services';

/** Makes a meeting of the line of an appointment, which leads to it from then on. */
export function useMeetingOfLine(): (path: string, line: number, words: string, day: Day) => Promise<void> {
  const { actions } = useServices();
  const madeText = useMadeText();
  const told = useToldDone();
  return useCallback(
    async (path, line, words, day) => {
      const [{ linkedToMeeting, meetingOfLine }, { fieldsOf }, { meetingFileName }] = await Promise.all([
        import('../../core/meeting/appointment-meeting'),
        import('./meeting-fields'),
        import('../../core/meeting/meeting-title'),
      ]);
      const said = meetingOfLine(words);
      if (!said) return void refuse('An appointment begins with its time, as in “- 11:30-12:15 Call with @teo”.');
      const fields = {
        kind: 'meeting',
        ...fieldsOf.date(day),
        ...fieldsOf.time(said),
        ...fieldsOf.people(said.people),
        ...fieldsOf.about(said.about),
        title: JSON.stringify(said.title),
      };
      const answers = new Map([['people', said.people.map((one) => `@${one}`).join(', ')]]);
      const given = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== null));
      const text = withFields(await madeText('meeting', said.title, day, answers), given);
      const made = await actions.create(KIND_FOLDERS.meeting, meetingFileName(isoDay(day), said.title), text);
      if ('refused' in made) return void refuse(made.refused);
      const label = `Meeting ${said.title}`;
      const result = await actions.replaceLine(
        { path, line, expected: words },
        linkedToMeeting(words, baseNameOf(made.path), said.title),
        label,
      );
      if ('refused' in result) refuse(result.refused);
      else told(label, result.step);
    },
    [actions, madeText, told],
  );
}
