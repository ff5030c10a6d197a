import { useCallback } from 'react';
import type { LineOfSlip } from '../../../core/slip/slip-lines';
import { textOfLines } from '../../../core/slip/slip-lines';
import type { ActionContext } from '../../../core/task/acts/action-context';
import { projectNote } from '../../../core/template/project-note';
import { templateFor } from '../../../core/template/from-template';
import { useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import type { Project } from './ProjectChoice';

/**
 * Stores a slip with steps as a note of kind project, from its template where there is one.
 *
 * @returns why it could not be stored; null once it is
 */
export function useStoreProject() {
  const { actions, engine } = useServices();
  const told = useToldDone();
  return useCallback(
    async (title: string, lines: readonly LineOfSlip[], said: Project, context: ActionContext): Promise<string | null> => {
      const template = templateFor('project', await engine.ask('templates', {}));
      const steps = textOfLines(lines.slice(1).map((line) => ({ ...line, depth: Math.max(0, line.depth - 1) })));
      const made = await actions.create('Projects', title, projectNote(template?.text ?? null, { title, ...said, steps }, context));
      if ('refused' in made) return made.refused;
      told(`Made ${made.path}, with ${steps.length === 1 ? '1 task' : `${steps.length} tasks`}`, made.step);
      return null;
    },
    [actions, engine, told],
  );
}
