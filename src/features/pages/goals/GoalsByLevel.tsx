import { useMemo } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import type { GoalFacts, Serving } from '../../../core/index/questions/goals';
import { InlineText } from '../../../ui/InlineText';
import { ShareBar } from '../record/Share';
import { ProgressBar } from '../project/ProgressBar';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { goalsByLevel } from './goals-by-level';

/** Every goal by its level: what serves it, what is next, and what moved. */
export function GoalsByLevel() {
  const goals = useAsked('goals', {});
  const order = useAppSelector((state) => state.settings.goalLevels);
  const levels = useMemo(() => goalsByLevel(goals ?? [], order), [goals, order]);
  if (goals === undefined) return <p className="mb-6 text-muted">Looking…</p>;
  if (goals.length === 0)
    return (
      <p className="mb-6 text-muted">
        There is no goal yet: a note of kind goal is one. Projects, tasks and repeats that link to it, or say it in “about”, serve it.
      </p>
    );
  return levels.map(({ level, goals: of }) => (
    <section key={level ?? ''} className="mb-6" aria-label={level ?? 'Without a level'}>
      <h2 className="section-label mb-2">{level ?? 'Without a level'}</h2>
      <ul className="grid gap-4">
        {of.map((goal) => (
          <Goal key={goal.path} goal={goal} />
        ))}
      </ul>
    </section>
  ));
}

function Goal({ goal }: { goal: GoalFacts }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const { path, title, outcome, due, open, done, repeats, serving, next, weeks, state } = goal;
  const isSettled = state === 'done' || state === 'cancelled';
  const isLate = due !== null && due < today && !isSettled;
  return (
    <li className="border-s-2 border-line ps-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <Link className={`name-link text-[1.1rem] font-semibold ${isSettled ? 'closed-text' : ''}`} to={noteAddress(path)}>
          {title}
        </Link>
        {state !== null && state !== 'active' && <span className="text-muted">{state}</span>}
        {due !== null && (
          <span className={isLate ? 'font-semibold text-late' : 'text-muted'}>
            {isLate ? 'was due' : 'due'} {dayName(due, today, style)}
          </span>
        )}
      </p>
      {outcome !== null && <p className="text-muted">{outcome}</p>}
      {open + done === 0 && serving.length === 0 ? (
        <p className="mt-1">No plan yet. A task or a project that links to it would be its first.</p>
      ) : (
        <>
          <p className="mt-1 flex flex-wrap items-center gap-x-3">
            <span className="flex items-center gap-2">
              <ProgressBar done={done} all={open + done} />
              <strong>
                {done} of {open + done}
              </strong>{' '}
              done
            </span>
            <Weeks weeks={weeks} />
          </p>
          <p>
            <span className="text-muted">Next:</span>{' '}
            {next === null ? (
              <span className="text-muted">no next step yet</span>
            ) : (
              <Link className="hover:underline" to={noteAddress(next.path, next.line)}>
                <InlineText text={next.text} />
              </Link>
            )}
          </p>
          {repeats.length > 0 && (
            <ul aria-label={`What comes again for ${title}`} className="mt-1 grid gap-0.5 text-[0.93rem]">
              {repeats.map((one) => (
                <li key={`${one.path}:${one.line}`} className="flex flex-wrap items-center gap-x-2">
                  <Link className="hover:underline" to={noteAddress(one.path, one.line)}>
                    <InlineText text={one.text} />
                  </Link>
                  <span className="text-muted">{one.every}</span>
                  {one.planned > 0 && <ShareBar share={one} width={60} />}
                </li>
              ))}
            </ul>
          )}
          {serving.length > 0 && (
            <ul aria-label={`What serves ${title}`} className="mt-1 grid gap-0.5">
              {serving.map((one) => (
                <ServingLine key={one.path} serving={one} />
              ))}
            </ul>
          )}
        </>
      )}
    </li>
  );
}

function ServingLine({ serving: { path, title, kind, state, done, all } }: { serving: Serving }) {
  return (
    <li className="flex flex-wrap items-center gap-x-2 text-[0.93rem]">
      <Link className="name-link" to={noteAddress(path)}>
        {title}
      </Link>
      <span className="text-muted">
        {kind}
        {state !== null && state !== 'active' && `, ${state}`}
      </span>
      {all > 0 && (
        <>
          <ProgressBar done={done} all={all} />
          <span className="text-muted tabular-nums">
            {done} of {all}
          </span>
        </>
      )}
    </li>
  );
}

/** What was done in each of the last weeks, as bars; the figures stand in their name. */
function Weeks({ weeks }: { weeks: readonly number[] }) {
  const most = Math.max(1, ...weeks);
  const said = weeks.every((count) => count === 0) ? 'nothing done in six weeks' : `done by week: ${weeks.join(', ')}`;
  return (
    <span className="flex items-end gap-[3px]" role="img" aria-label={said} title={said}>
      {weeks.map((count, at) => (
        <span
          key={at}
          className={`w-2 ${count === 0 ? 'h-[2px] bg-edge' : 'bg-kept'}`}
          style={count === 0 ? undefined : { height: `${4 + (14 * count) / most}px` }}
        />
      ))}
    </span>
  );
}
