import { useCallback } from 'react';
import type { RowView } from '../../../core/index/live/view';
import { soleLink } from '../../../core/note/names/sole-link';
import { refuse } from '../../session/telling/messages';
import { counted, useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';

/** The states of a project, in the words of its front matter, with those of the interface. */
export const STATES = [
  ['active', 'Active'],
  ['later', 'Later'],
  ['done', 'Done'],
  ['cancelled', 'Cancelled'],
] as const;
export type State = (typeof STATES)[number][0];

/** Gives a project another state; done or cancelled closes the tasks elsewhere whose words are one link to it, in the same step. */
export function useSettle(): (path: string, title: string, state: State, stands: readonly RowView[]) => Promise<void> {
  const { actions } = useServices();
  const told = useToldDone();
  return useCallback(
    async (path, title, state, stands) => {
      const refs = stands
        .filter(({ text }) => soleLink(text) !== null)
        .map(({ path: at, line, raw }) => ({ path: at, line, expected: raw }));
      const words = STATES.find(([name]) => name === state)?.[1] ?? state;
      const result = await actions.settleProject(path, state, refs, `${words}: ${title}`);
      if ('refused' in result) return void refuse(result.refused);
      const also =
        result.closed === 0 ? '' : `, and ${counted(result.closed, 'task')} that ${result.closed === 1 ? 'stands' : 'stand'} for it`;
      told(`${words}: ${title}${also}`, result.step);
    },
    [actions, told],
  );
}
