import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Day } from '../../../core/calendar/day';
import { NO_FIGURES } from '../../../core/day/plan/day-figures';
import { Dialog } from '../../../ui/Dialog';
import { MonthGrid } from '../../../ui/form/MonthGrid';
import { DueEdges, KeptBar } from '../../day/row/DayBars';
import { dayAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

interface MonthDialogProps {
  day: Day | null;
  onClose: () => void;
}

/** A month of journal pages: which days have one, what is due, how the day went; a day pressed opens its page. */
export function MonthDialog({ day, onClose }: MonthDialogProps) {
  const { day: today } = useNow();
  const navigate = useNavigate();
  const overview = useAppSelector((state) => state.library.overview);
  const firstDayOfWeek = useAppSelector((state) => state.settings.firstDayOfWeek);
  const pages = useMemo(() => new Set((overview?.notes ?? []).flatMap(({ journal }) => journal ?? [])), [overview?.notes]);
  const more = (one: Day) => {
    const figures = overview?.days[one] ?? NO_FIGURES;
    const hasPage = pages.has(one);
    const said = [
      hasPage && 'has a page',
      one >= today && figures.due > 0 && `${figures.due} due`,
      one < today && figures.planned > 0 && `${figures.kept} of ${figures.planned} kept`,
      figures.excused !== null && `excused: ${figures.excused}`,
    ].filter((part) => part !== false);
    const drawn = (
      <>
        <span className={`h-[3px] w-4 ${hasPage ? 'bg-current' : ''}`} aria-hidden="true" />
        <span className="flex h-[11px] w-9 items-end justify-center">
          {one < today ? (
            <span className="w-full">
              <KeptBar counts={figures} />
            </span>
          ) : (
            <DueEdges count={figures.due} />
          )}
        </span>
      </>
    );
    return { drawn, said: said.length === 0 ? '' : `, ${said.join(', ')}` };
  };
  return (
    <Dialog open onClose={onClose} title="Journal pages">
      <div className="grid justify-items-center gap-3">
        <MonthGrid
          today={today}
          chosen={day}
          firstDayOfWeek={firstDayOfWeek}
          more={more}
          onChoose={(chosen) => {
            onClose();
            void navigate(dayAddress(chosen));
          }}
        />
        <p className="text-[0.86rem] text-muted">A line under the number: there is a page. Bars: what was kept; edges: what is due.</p>
      </div>
    </Dialog>
  );
}
