import { isOpen } from '../../../core/task/line/status';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import type { Column } from '../../../core/gather/language/ast';
import type { RowView } from '../../../core/index/live/view';
import { Chips } from '../../../ui/marks/Chips';
import { chipsOf } from '../../../ui/marks/chip-look';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { late } from '../../../ui/late';
import { shownChips } from './row-columns';

/** Few tasks are joined. */
const JoinedChip = late(() => import('../../outside/JoinedChip').then((part) => part.JoinedChip));

/** The clauses of a task as chips; of a note what its columns say. */
export function RowChips({ row, columns }: { row: RowView; columns: readonly Column[] | null }) {
  const { day: today } = useNow();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  if (row.what !== 'task') return <Chips chips={shownChips(row, [], columns, today, style)} />;
  const tail = readTail(row.raw, 0);
  const list = clauseOf(tail, 'joined')?.value;
  const chips = chipsOf(tail, { today, style, workingDay, open: isOpen(row.status), restsUntil: row.restsUntil }, 'list');
  const shown = shownChips(row, chips, columns, today, style);
  if (list === undefined) return <Chips chips={shown} />;
  return (
    <>
      <Chips chips={shown.filter(({ word }) => word !== 'joined')} />
      <JoinedChip list={list} />
    </>
  );
}
