import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { isoDay } from '../../../core/calendar/day';
import type { Template } from '../../../core/index/questions/forms';
import { noteFrom } from '../../../core/template/from-template';
import { KIND_FOLDERS } from '../../note/making/kind-folders';
import { refuse } from '../../session/telling/messages';
import { useToldDone } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';

/** Makes a review of today from a template, and goes there. */
export function useMakeReview(): (template: Pick<Template, 'title' | 'text'>) => Promise<void> {
  const { actions, clock } = useServices();
  const navigate = useNavigate();
  const told = useToldDone();
  return useCallback(
    async ({ title: of, text }) => {
      const { day, minute } = clock.now();
      const title = `${of} ${isoDay(day)}`;
      const { text: made } = noteFrom(text, { day, minute, name: title, answers: new Map() });
      const result = await actions.create(KIND_FOLDERS.review, title, made);
      if ('refused' in result) {
        refuse(result.refused);
        return;
      }
      told(`New review: ${title}`, result.step);
      void navigate(noteAddress(result.path));
    },
    [actions, clock, navigate, told],
  );
}
