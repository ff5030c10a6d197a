import { isOpen } from '../../../core/task/line/status';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import type { Column } from '../../../core/gather/language/ast';
import type { RowView } from '../../../core/index/live/view';
import { Chips } from '../../../ui/marks/Chips';
import { chipsOf } from '../../../ui/marks/chip-look';
import { useNow } from '../../session/state/services';
import { LENT_MARKS } from '../../session/state/lent-marks';
import { useAppSelector } from '../../session/state/state';
import { useToldValue } from '../../session/asked/use-told-value';
import { late } from '../../../ui/late';
import { shownChips } from './row-columns';

/** Few tasks are joined, or lent. */
const JoinedChip = late(() => import('../../sharing/outside/JoinedChip').then((part) => part.JoinedChip));
const LentSign = late(() => import('../../sharing/lend/LentSign').then((part) => part.LentSign));

/** The clauses of a task as chips; of a note what its columns say. */
export function RowChips({ row, columns }: { row: RowView; columns: readonly Column[] | null }) {
  const { day: today } = useNow();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  const lent = useToldValue(LENT_MARKS);
  if (row.what !== 'task') return <Chips chips={shownChips(row, [], columns, today, style)} />;
  const tail = readTail(row.raw, 0);
  const list = clauseOf(tail, 'joined')?.value;
  const isLent = lent !== undefined && lent.refs.size > 0 && lent.refs.has(clauseOf(tail, 'ref')?.value ?? '');
  const chips = chipsOf(tail, { today, style, workingDay, open: isOpen(row.status), restsUntil: row.restsUntil }, 'list');
  const shown = shownChips(row, chips, columns, today, style);
  if (list === undefined && !isLent) return <Chips chips={shown} />;
  return (
    <>
      <Chips chips={shown.filter(({ word }) => word !== 'joined')} />
      {list !== undefined && <JoinedChip list={list} />}
      {isLent && <LentSign />}
    </>
  );
}
