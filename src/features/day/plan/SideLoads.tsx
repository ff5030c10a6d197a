import { type Day, isoDay } from '../../../core/calendar/day';
import { durationName } from '../../../core/calendar/duration';
import { useAnswer } from '../../session/asked/use-answer';
import { useAppSelector } from '../../session/state/state';

/** What is planned of each side for a day, in words; nothing where there are no sides. */
export function SideLoads({ day }: { day: Day }) {
  const sides = useAppSelector((state) => state.settings.sides);
  if (sides.length === 0) return null;
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 text-[0.86rem] text-muted">
      {sides.map((side) => (
        <SideLoad key={side.name} day={day} {...side} />
      ))}
    </p>
  );
}

function SideLoad({ day, name, condition }: { day: Day; name: string; condition: string }) {
  const iso = isoDay(day);
  const answer = useAnswer(
    `where open and (plan = ${iso} or journal = ${iso}) and (${condition})\nsteps apart\nincluding resting\nlimit 0`,
    null,
  );
  if (!answer) return null;
  return (
    <span>
      {name}{' '}
      <strong className="text-ink">
        {durationName(answer.totals.takes)}, {answer.total}
      </strong>
    </span>
  );
}
