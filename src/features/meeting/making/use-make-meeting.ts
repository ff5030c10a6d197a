import { useCallback, useRef } from 'react';
import { useStore } from 'react-redux';
import { foldName } from '../../../core/note/names/names';
import { KIND_FOLDERS } from '../../note/making/kind-folders';
import { refuse } from '../../session/telling/messages';
import { useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import type { RootState } from '../../session/state/state';
import type { MeetingToMake } from '../meeting-fields';

/**
 * Makes the note of a meeting, from the template of its form where there is one, with its day in the name of the file. While one is being made, a
 * second press makes none. Where its form is left open, the words of its title may begin with one that is known.
 *
 * @returns its path; null where none was made
 */
export function useMakeMeeting(): (meeting: MeetingToMake, folder?: string) => Promise<string | null> {
  const { actions, clock, engine } = useServices();
  const store = useStore<RootState>();
  const told = useToldDone();
  const making = useRef(false);
  return useCallback(
    async (meeting, folder = KIND_FOLDERS.meeting) => {
      if (making.current) return null;
      making.current = true;
      const formsSaid = async () =>
        (await engine.ask('meetings', { series: null }).catch(() => [])).flatMap(({ facts }) => facts.form ?? []);
      try {
        const [
          { filledMeeting, meetingNote },
          { meetingFileName, meetingTitle, nameInTitle },
          { formOfTemplate, formOfWords, meetingTemplateFor },
        ] = await Promise.all([
          import('./meeting-note'),
          import('../../../core/meeting/meeting-title'),
          import('../../../core/meeting/meeting-template'),
        ]);
        // Templates that cannot be asked for now keep nothing from being stored: it begins as if there were none.
        const templates = await engine.ask('templates', {}).catch(() => []);
        const form =
          meeting.form !== undefined
            ? meeting.form
            : formOfWords(meeting.title ?? '', [
                ...templates.flatMap(({ makes, text }) => (makes === 'meeting' && formOfTemplate(text)) || []),
                ...(await formsSaid()),
              ]);
        const template = templates.find(({ path }) => path === meeting.template) ?? meetingTemplateFor(form, templates);
        const named = meeting.people ?? [];
        const answers = new Map(meeting.answers ?? (named.length === 0 ? [] : [['people', named.map((one) => `@${one}`).join(', ')]]));
        const values = { minute: clock.now().minute, answers };
        const filled = filledMeeting({ ...meeting, form }, template, values);
        const known = store.getState().library.overview?.people ?? [];
        const names = (filled.people ?? []).map((handle) =>
          nameInTitle(handle, known.find(({ name }) => foldName(name) === foldName(handle))?.fullName),
        );
        const title = filled.title ?? meetingTitle(filled.form ?? null, names);
        const text = meetingNote({ ...filled, title }, template, values);
        const made = await actions.create(folder, meetingFileName(filled.date, title), text);
        if ('refused' in made) refuse(made.refused);
        else told(`Meeting ${title}`, made.step);
        return 'refused' in made ? null : made.path;
      } finally {
        making.current = false;
      }
    },
    [actions, clock, engine, store, told],
  );
}
