import { useMemo } from 'react';
import type { Day } from '../../core/calendar/day';
import type { RowView } from '../../core/index/live/view';
import { CouldBe } from './CouldBe';
import { DayBar } from './DayBar';
import { Evening } from './Evening';
import { Strays } from './Strays';
import { TheDay } from './TheDay';
import { SideLoads, useSideIds } from './SideLoads';
import { amongThemselves, untimedRows, useChoosing } from './use-choosing';
import { useDayPlan } from './use-day-plan';

/** A day turned to its plan: on the left the day in its order, on the right what could be in it. */
export function DayPlan({ day }: { day: Day }) {
  const shown = useDayPlan(day);
  const choosing = useChoosing(day);
  const ids = useSideIds(day);
  const items = useMemo(() => shown?.items.filter(({ row }) => !row || !ids || ids.has(row.id)) ?? [], [shown, ids]);
  // Narrowed to a side, only its lines change places among themselves.
  const narrowed = useMemo(
    () => ({ ...choosing, order: (rows: readonly RowView[]) => choosing.order(amongThemselves(untimedRows(shown?.items ?? []), rows)) }),
    [choosing, shown],
  );
  if (!shown) return <p className="text-muted">Looking at the day…</p>;
  return (
    <>
      <DayBar day={day} items={shown.items} />
      <SideLoads day={day} />
      <div className="grid items-start gap-x-8 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] lg:[&>div+section]:border-s lg:[&>div+section]:border-line lg:[&>div+section]:ps-6">
        <div>
          <TheDay day={day} items={items} choosing={ids ? narrowed : choosing} />
          <Strays strays={shown.strays} choosing={choosing} />
          <Evening day={day} items={items} />
        </div>
        <CouldBe day={day} choosing={choosing} />
      </div>
    </>
  );
}
