import { useMemo, useRef } from 'react';
import { dayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { timeName } from '../../../core/calendar/span';
import { reviewBefore } from '../../../core/index/questions/past/reviews';
import { reviewMinutes, reviewState } from '../../../core/review/review-clock';
import type { ReviewStep } from '../../../core/review/review-steps';
import type { FrontMatter } from '../../../core/note/facts/front-matter';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { useFocusKept } from '../../../ui/input/use-focus-kept';
import { StepOpens, useStepPlace } from './StepOpens';
import { type OpenReview, useReview } from './use-review';

interface ReviewHeadProps {
  path: string;
  title: string;
  text: string;
  front: FrontMatter;
}

/** What has the focus where the control that had it is gone: those of the step, else those of its time. */
const CONTROLS = ['[role=group] button', 'button'];

/** How far a review is: its time, the step that lies before one and what that opens, and the review before it. */
export function ReviewHead({ path, title, text, front }: ReviewHeadProps) {
  const review = useReview(path, title, text);
  const { steps, remarks, keepRemarks } = review;
  const at = steps.findIndex(({ open }) => open);
  const step = steps[at] ?? null;
  const state = reviewState(text);
  const part = useRef<HTMLElement>(null);
  useFocusKept(part, CONTROLS);
  return (
    <section ref={part} aria-label="The review" className="mb-3 rounded-lg bg-raised px-3.5 py-2.5">
      <Clock text={text} review={review} />
      {step && state.is !== 'to begin' && <Step key={step.line} step={step} at={at} review={review} from={path} />}
      {steps.length > 0 && step === null && state.is !== 'finished' && <p className="mt-1">All {steps.length} steps are done.</p>}
      {state.is === 'finished' && remarks.length > 0 && (
        <p className="mt-1.5">
          <button type="button" className="line-button" onClick={() => void keepRemarks()}>
            Put the remarks onto today’s page
          </button>
        </p>
      )}
      <Before title={title} path={path} day={front.date} />
    </section>
  );
}

function Clock({ text, review: { go, steps } }: { text: string; review: OpenReview }) {
  const now = useNow();
  const state = reviewState(text);
  const minutes = durationName(reviewMinutes(text, now));
  const left = steps.filter(({ open }) => open).length;
  const press = (what: Parameters<OpenReview['go']>[0], words: string, main = false) => (
    <button type="button" className={main ? 'solid-button' : 'line-button'} onClick={() => void go(what)}>
      {words}
    </button>
  );
  const since = state.is === 'going' || state.is === 'paused' ? timeName(state.since.minute ?? 0) : '';
  return (
    <div className="flex flex-wrap items-center gap-2">
      <p role="status" className="me-auto">
        {state.is === 'to begin' && `Not begun yet: ${steps.length === 1 ? 'one step' : `${steps.length} steps`}.`}
        {state.is === 'going' && (
          <>
            Begun at {since}, <strong>{minutes}</strong> so far, {left === 0 ? 'nothing left' : `${left} of ${steps.length} steps left`}.
          </>
        )}
        {state.is === 'paused' && (
          <>
            Paused at {since}, after <strong>{minutes}</strong>.
          </>
        )}
        {state.is === 'finished' && (
          <>
            Finished in <strong>{minutes}</strong>
            {left > 0 && `, with ${left === 1 ? 'one step' : `${left} steps`} left open`}.
          </>
        )}
      </p>
      {state.is === 'to begin' && press('begin', 'Begin', true)}
      {state.is === 'going' && press('pause', 'Pause')}
      {(state.is === 'paused' || state.is === 'finished') && press('go on', 'Go on', state.is === 'paused')}
      {(state.is === 'going' || state.is === 'paused') && press('finish', 'Finish', left === 0)}
    </div>
  );
}

interface StepProps {
  step: ReviewStep;
  at: number;
  review: OpenReview;
  from: string;
}

/** The step that lies before one. */
function Step({ step, at, review: { steps, tick }, from }: StepProps) {
  const place = useStepPlace(step, from);
  const count = place?.count ?? null;
  return (
    <div role="group" aria-label="The step" className="mt-2 flex flex-wrap items-center gap-2 border-t border-line pt-2">
      <p className="me-auto">
        <span className="text-muted">
          Step {at + 1} of {steps.length}:
        </span>{' '}
        <strong>{step.words}</strong>
        {count !== null && <span className="text-muted"> · {count === 0 ? 'nothing is left there' : `${count} there`}</span>}
      </p>
      <span className="flex flex-wrap gap-2">
        <StepOpens step={step} place={place} from={from} />
        <button type="button" className={count === 0 ? 'solid-button' : 'line-button'} onClick={() => void tick(step)}>
          Done with it
        </button>
      </span>
    </div>
  );
}

/** The review before this one, at hand beside. */
function Before({ title, path, day }: { title: string; path: string; day: number | null }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const dispatch = useAppDispatch();
  const all = useAsked('reviews', {});
  const before = useMemo(() => reviewBefore(title, path, day, all ?? []), [title, path, day, all]);
  if (!before) return null;
  const { facts, open } = before;
  const words = [
    ...(facts.date === null ? [] : [dayName(facts.date, today, style)]),
    ...(facts.minutes === null ? [] : [durationName(facts.minutes)]),
    ...(open === 0 ? [] : [`${open} open`]),
  ];
  return (
    <p className="mt-1.5 text-[0.93rem] text-muted">
      The one before:{' '}
      <button
        type="button"
        className="name-link"
        onClick={() => dispatch(frameSlice.actions.besideChosen({ is: 'text', path: before.path }))}
      >
        {words.join(', ') || before.title}
      </button>
    </p>
  );
}
