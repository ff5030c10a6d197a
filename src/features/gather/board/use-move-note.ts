import { useCallback } from 'react';
import type { BoardColumn } from '../../../core/gather/forms/board';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import type { RowView } from '../../../core/index/live/view';
import { refuse } from '../../session/telling/messages';
import { useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';

/** Puts a note into another column of a board of notes: its front matter says its new state. */
export function useMoveNote(): (row: RowView, by: GroupKeyName, to: BoardColumn<RowView>) => Promise<void> {
  const { actions } = useServices();
  const told = useToldDone();
  return useCallback(
    async (row, by, to) => {
      if (by !== 'state' && by !== 'level') {
        refuse('A note is moved among its states only; change it on its page.');
        return;
      }
      if (to.group === row.facts?.[by]) return;
      const label = `${row.text}: ${to.label.toLowerCase()}`;
      const result = await actions.setFields(row.path, { [by]: to.group }, label);
      if ('refused' in result) refuse(result.refused);
      else told(label, result.step);
    },
    [actions, told],
  );
}
