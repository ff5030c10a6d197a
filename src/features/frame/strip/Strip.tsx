import { memo } from 'react';
import { durationName } from '../../../core/calendar/duration';
import { timeName } from '../../../core/calendar/span';
import type { Overview } from '../../../core/index/live/overview';
import { baseNameOf } from '../../../core/note/names/path';
import { Link } from 'react-router';
import { noteAddress } from '../../session/places/addresses';
import type { HandItem } from '../../../core/index/days/day-plan';
import { plainWords } from './plain-words';
import { handWords, toBegin, useHand } from './use-hand';
import { useHandRuns } from './use-hand-runs';
import { useHours } from '../../day/row/use-hours';
import { useNow } from '../../session/state/services';
import { late } from '../../../ui/late';
import { useSeals } from '../../sharing/seal/use-seals';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** Null until it is counted, which is a moment after the first lists are shown. */
function openToday(overview: Overview | null): number | null {
  if (!overview) return null;
  const counted = overview.agendaCounts[TODAY];
  return counted ?? (overview.notes.some((note) => note.path === TODAY) ? null : 0);
}

const TODAY = 'Agenda/Today.md';

const OpenSeals = late(() => import('../../sharing/seal/OpenSeals').then((part) => part.OpenSeals));

/** The bottom line: what is open today and its hours, what comes then, whether everything is saved. */
export const Strip = memo(function Strip() {
  const overview = useAppSelector((state) => state.library.overview);
  const failure = useAppSelector((state) => state.library.failure);
  const progress = useAppSelector((state) => state.library.progress);
  const { day: today, minute } = useNow();
  const open = openToday(overview);
  const minutes = overview?.days[today]?.minutes ?? 0;
  const available = useHours(today);
  const seals = useSeals();
  const selected = useAppSelector((state) => state.frame.cursor?.words ?? 0);
  return (
    <footer className="no-print flex min-h-[28px] flex-none items-center justify-between gap-6 px-3.5 text-[0.83rem] text-muted">
      <p className="flex min-w-0 items-center gap-5">
        <span className="whitespace-nowrap">
          {open ?? '…'} open today · {durationName(minutes)} of {durationName(available)}
        </span>
        <HandWords minute={minute} />
      </p>
      <p className="flex items-center gap-5 whitespace-nowrap">
        {selected > 0 && <span>{selected === 1 ? '1 word' : `${selected.toLocaleString('en')} words`} selected</span>}
        {seals.open.size > 0 && <OpenSeals />}
        <SaveWords />
        <span className="max-sm:hidden">
          {failure ?? (overview ? `${overview.lines.toLocaleString('en')} lines indexed` : `reading ${progress.read} of ${progress.all}`)}
        </span>
      </p>
    </footer>
  );
});

/** What is in hand and until when, with what finishes it; and what comes then, with what begins it. */
function HandWords({ minute }: { minute: number }) {
  const hand = useHand();
  const { begin, finish } = useHandRuns();
  if (!hand) return null;
  const { now, then } = hand;
  const words = now && handWords(now, minute);
  const next = toBegin(hand);
  return (
    <>
      {now && words && (
        <span className="flex min-w-0 items-center gap-1">
          <HandLink item={now.item} />
          <span className="whitespace-nowrap">
            {words.over > 0 ? `${durationName(words.over)} longer than meant` : words.until !== null && `until ${words.until}`}
          </span>
          {now.item.task && (
            <button
              type="button"
              className="quiet-button min-h-[25px] flex-none px-1.5 py-0 max-sm:hidden"
              onClick={finish}
              aria-label={`Done with “${plainWords(now.item.text)}”`}
              title="It is done"
            >
              Done
            </button>
          )}
        </span>
      )}
      {then && (
        <span className="flex min-w-0 items-center gap-1 max-sm:hidden">
          <span className="whitespace-nowrap">then {then.start !== null && timeName(then.start)}</span>
          <HandLink item={then} />
          {next && next === then && (
            <button
              type="button"
              className="quiet-button min-h-[25px] flex-none px-1.5 py-0"
              onClick={begin}
              aria-label={`Begin “${plainWords(then.text)}”`}
              title="It is under way"
            >
              Begin
            </button>
          )}
        </span>
      )}
    </>
  );
}

function HandLink({ item }: { item: HandItem }) {
  return (
    <Link to={noteAddress(item.path, item.line ?? undefined)} className="min-w-0 truncate font-semibold text-ink hover:underline">
      {plainWords(item.text)}
    </Link>
  );
}

/** Whether all that was typed is on the disk; what is not has a way out. */
function SaveWords() {
  const save = useAppSelector((state) => state.frame.save);
  const dispatch = useAppDispatch();
  if (save.is !== 'failed') return <span data-testid="save-state">{save.is === 'saved' ? 'Saved' : 'Saving…'}</span>;
  const [first] = save.texts;
  const words = save.texts.length === 1 && first ? `“${baseNameOf(first.path)}” is not saved` : `${save.texts.length} notes are not saved`;
  return (
    <span role="alert">
      <button
        type="button"
        data-testid="save-state"
        className="font-semibold text-late underline"
        onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'unsaved' }))}
      >
        {words}
      </button>
    </span>
  );
}
