import { useCallback } from 'react';
import type { LineOfSlip } from '../../core/slip/slip-lines';
import { textOfLines } from '../../core/slip/slip-lines';
import type { ActionContext } from '../../core/task/acts/action-context';
import { projectNote } from '../../core/template/project-note';
import { templateFor } from '../../core/template/from-template';
import { refuse } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { frameSlice } from '../session/state/frame-slice';
import { useServices } from '../session/state/services';
import { useAppDispatch } from '../session/state/state';
import { slipDraft } from './slip-draft';

/** Stores a slip with steps as a note of kind project, from its template where there is one. */
export function useStoreProject() {
  const { actions, engine } = useServices();
  const told = useToldDone();
  const dispatch = useAppDispatch();
  return useCallback(
    async (
      title: string,
      lines: readonly LineOfSlip[],
      said: { outcome: string; deadline: string },
      context: ActionContext,
      typed: string,
    ) => {
      const template = templateFor('project', await engine.ask('templates', {}));
      const steps = textOfLines(lines.slice(1).map((line) => ({ ...line, depth: Math.max(0, line.depth - 1) })));
      const made = await actions.create('Projects', title, projectNote(template?.text ?? null, { title, ...said, steps }, context));
      if ('refused' in made) {
        slipDraft.keep(typed);
        refuse(`${made.refused} The slip is as it was.`);
        dispatch(frameSlice.actions.dialogShown({ is: 'slip', typed }));
      } else told(`Made ${made.path}, with ${steps.length === 1 ? '1 task' : `${steps.length} tasks`}`, made.step);
    },
    [actions, engine, told, dispatch],
  );
}
