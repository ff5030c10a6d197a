import { useMemo } from 'react';
import type { Day } from '../../../core/calendar/day';
import type { RowView } from '../../../core/index/live/view';
import { CouldBe } from './CouldBe';
import { DayBar } from './DayBar';
import { Evening } from './Evening';
import { Strays } from './Strays';
import { TheDay } from './TheDay';
import { useSideIds } from '../use-side-ids';
import { SideLoads } from './SideLoads';
import { amongThemselves, untimedRows, useChoosing } from './use-choosing';
import { useDayPlan } from '../use-day-plan';

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
      <div className="flex flex-wrap items-start gap-x-12 gap-y-8 print:block [&>*]:min-w-0 [&>*]:flex-[1_1_19rem]">
        <div>
          <TheDay day={day} items={items} choosing={ids ? narrowed : choosing} />
          <Strays strays={shown.strays} choosing={choosing} />
          <Evening day={day} items={items} />
        </div>
        <CouldBe day={day} choosing={choosing} />
      </div>
      <PaperNotes />
    </>
  );
}

/** On paper, lines to write on below the plan. */
function PaperNotes() {
  return (
    <section className="mt-6 hidden break-inside-avoid print:block">
      <h2 className="font-title text-[1.17rem] font-semibold">Notes</h2>
      {Array.from({ length: 10 }, (_, index) => (
        <div key={index} className="h-9 border-b border-edge" />
      ))}
    </section>
  );
}
