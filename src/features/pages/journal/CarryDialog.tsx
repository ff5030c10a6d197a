import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { type Day, readIsoDay } from '../../../core/calendar/day';
import { dayName } from '../../../core/calendar/day-name';
import type { CarryAnswer, LeftOpenTask } from '../../../core/index/questions/past/carry';
import { dayOfTitle } from '../../../core/note/names/path';
import { isSealedPath } from '../../../core/note/names/path';
import { journalPathOf } from '../../../core/index/live/journal-claims';
import { storedValue } from '../../../core/task/line/clause-value';
import { Dialog } from '../../../ui/Dialog';
import { InlineText } from '../../../ui/InlineText';
import { actionContext } from '../../session/acting/action-context';
import { refuse, say } from '../../session/telling/messages';
import { counted, useUndo } from '../../session/acting/use-act';
import { useFindPlace } from '../../session/acting/use-find-place';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { CHOICES, type Choice, type Chosen, carryPlan } from './carry-choices';
import { leaveAlone, offerAgain } from './left-alone';
import { useLeftOpen } from './use-left-open';
import { Labelled } from '../../../ui/form/Labelled';

/** Of more tasks than these the first are listed; the others follow when those are carried. */
const MOST_SHOWN = 200;

const WORDS: Record<Choice, string> = {
  today: 'To today',
  day: 'To a day',
  undated: 'Without a day',
  cancel: 'Cancel',
  alone: 'Leave it',
};

/** What earlier days left open: each task to today, to a day, without one, cancelled, or left alone; all by one press. */
export function CarryDialog({ onClose }: { onClose: () => void }) {
  const left = useLeftOpen();
  return (
    <Dialog open onClose={onClose} title="Left from earlier days" side="wide">
      {left === null ? (
        <p className="text-muted">Looking through earlier days…</p>
      ) : left.offered.length === 0 ? (
        <p>Earlier days left nothing open. {reasons(left.left)}</p>
      ) : (
        <Choices left={left} onClose={onClose} />
      )}
    </Dialog>
  );
}

function Choices({ left, onClose }: { left: CarryAnswer; onClose: () => void }) {
  const [chosen, setChosen] = useState<ReadonlyMap<string, Choice>>(new Map());
  const [day, setDay] = useState('tomorrow');
  const [remark, setRemark] = useState('');
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => list.current?.querySelector<HTMLElement>('[role=radiogroup]')?.focus(), []);
  const now = useNow();
  const settings = useAppSelector((state) => state.settings);
  const carry = useCarry();
  const named = storedValue('start', day.trim().toLowerCase(), actionContext(settings, now));
  const choose = (tasks: readonly LeftOpenTask[], choice: Choice): void =>
    setChosen((before) => new Map([...before, ...tasks.map((task) => [task.sign, choice] as const)]));
  const asks = (choice: Choice): boolean => [...chosen.values()].includes(choice);
  const submit = (): void => {
    if (chosen.size === 0 || (asks('day') && named === null)) return;
    const target = named === null ? null : dayOf(named);
    const all = left.offered.flatMap((task) => {
      const choice = chosen.get(task.sign);
      return choice ? [{ task, chosen: { choice, day: target, remark } satisfies Chosen }] : [];
    });
    onClose();
    void carry(all);
  };
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1 text-[0.92rem]">
        <span className="text-muted">All {left.offered.length}:</span>
        {CHOICES.map((choice) => (
          <button key={choice} type="button" className="line-button" onClick={() => choose(left.offered, choice)}>
            {WORDS[choice]}
          </button>
        ))}
      </div>
      <ul
        ref={list}
        className="grid"
        aria-label="Tasks that earlier days left open"
        onKeyDown={(event) => moveByArrow(event, list.current)}
      >
        {left.offered.slice(0, MOST_SHOWN).map((task, index) => (
          <TaskChoice
            key={task.sign}
            task={task}
            head={task.day === left.offered[index - 1]?.day ? null : dayName(task.day, now.day, settings.dateStyle)}
            choice={chosen.get(task.sign) ?? null}
            onChoose={(choice) => choose([task], choice)}
          />
        ))}
      </ul>
      {left.offered.length > MOST_SHOWN && <p className="text-muted">And {left.offered.length - MOST_SHOWN} more, which All takes too.</p>}
      {asks('day') && (
        <Labelled label="To which day">
          <input className="field" value={day} aria-invalid={named === null} onChange={(event) => setDay(event.target.value)} />
          <span className="text-[0.86rem] text-muted">
            {named === null ? 'That is no day; “fri”, “in 3 days” or “1 dec” are.' : dayName(dayOf(named), now.day, settings.dateStyle)}
          </span>
        </Labelled>
      )}
      {asks('cancel') && (
        <Labelled label="Why cancelled">
          <input className="field" value={remark} onChange={(event) => setRemark(event.target.value)} />
        </Labelled>
      )}
      <div className="flex flex-wrap items-center gap-3 border-t border-line pt-2.5">
        <p className="flex-1 text-[0.86rem] text-muted">Arrows go from task to task, 1 to 5 choose. {reasons(left.left)}</p>
        <button type="submit" className="solid-button" disabled={chosen.size === 0 || (asks('day') && named === null)}>
          {chosen.size === left.offered.length || chosen.size === 0 ? 'Carry on' : `Carry ${chosen.size} on`}
        </button>
      </div>
    </form>
  );
}

interface TaskChoiceProps {
  task: LeftOpenTask;
  /** The day that begins with this task. */
  head: string | null;
  choice: Choice | null;
  onChoose: (choice: Choice) => void;
}

function TaskChoice({ task, head, choice, onChoose }: TaskChoiceProps) {
  const byKey = (event: KeyboardEvent<HTMLElement>): void => {
    // As in a field, Enter stores what was chosen; on a button it presses that.
    if (event.key === 'Enter' && event.target === event.currentTarget) event.currentTarget.closest('form')?.requestSubmit();
    const next = CHOICES[Number(event.key) - 1];
    if (!next || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    onChoose(next);
    const row = event.currentTarget.closest('li');
    row?.nextElementSibling?.querySelector<HTMLElement>('[role=radiogroup]')?.focus();
  };
  return (
    <li>
      {head !== null && <h3 className="mt-2 mb-1 section-label">{head}</h3>}
      <div
        role="radiogroup"
        aria-label={task.text}
        tabIndex={0}
        className="flex flex-wrap items-center gap-x-2 gap-y-1 rounded-md px-1.5 py-1 focus-visible:bg-raised"
        onKeyDown={byKey}
      >
        <span className="min-w-[14rem] flex-1 [overflow-wrap:anywhere]">
          <InlineText text={task.text} leads />
          {dayOfTitle(task.noteTitle) !== task.day && <span className="block text-[0.83rem] text-muted">{task.noteTitle}</span>}
        </span>
        <span className="flex flex-wrap gap-1">
          {CHOICES.map((one, index) => (
            <button
              key={one}
              type="button"
              role="radio"
              aria-checked={choice === one}
              tabIndex={-1}
              className={`quiet-button text-[0.88rem] ${choice === one ? 'bg-primary-soft font-semibold text-ink' : ''}`}
              onClick={() => onChoose(one)}
            >
              <kbd className="font-mono text-[0.76rem] text-muted max-sm:hidden">{index + 1}</kbd> {WORDS[one]}
            </button>
          ))}
        </span>
      </div>
    </li>
  );
}

function moveByArrow(event: KeyboardEvent, list: HTMLElement | null): void {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0 || !list) return;
  const rows = [...list.querySelectorAll<HTMLElement>('[role=radiogroup]')];
  const next = rows[rows.findIndex((row) => row.contains(document.activeElement)) + step];
  if (!next) return;
  event.preventDefault();
  next.focus();
}

/** Carries tasks on as it was chosen, as one step of Undo. */
function useCarry(): (choices: readonly { task: LeftOpenTask; chosen: Chosen }[]) => Promise<void> {
  const { actions, store } = useServices();
  const { day: today } = useNow();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const moves = useAppSelector((state) => state.settings.carryLines === 'move');
  const undo = useUndo();
  const find = useFindPlace(null);
  return async (choices) => {
    const pageOf = (day: Day): string => journalPathOf(notes ?? [], day);
    // What stands on a page of another journal, or sealed, stays there: it gets its new day alone.
    const stays = (from: string): boolean => isSealedPath(from) || notes?.find(({ path }) => path === from)?.journalName !== undefined;
    const plan = carryPlan(choices, today, moves ? (day, from) => (stays(from) ? null : pageOf(day)) : null);
    if (moves)
      for (const day of daysOf(choices, today)) {
        const place = await find({ note: pageOf(day), heading: null });
        if (place) await actions.begin(place.path, place.made);
      }
    const words = `Carried forward: ${counted(choices.length, 'task')}`;
    const result = plan.acts.length === 0 ? { step: null, stayed: [] } : await actions.actMany(plan.acts, words, async () => false);
    if ('refused' in result) return void refuse(result.refused);
    await leaveAlone(store, plan.alone);
    const again = (): void => void offerAgain(store, plan.alone);
    // One Undo takes all of it back, by whatever way it is asked for.
    if (result.step !== null) store.steps.whenTakenBack(result.step, again);
    const back = (): void => (result.step === null ? again() : void undo(result.step));
    say(words, { action: { words: 'Undo', act: back } });
    const [first] = result.stayed;
    if (first) refuse(`${counted(result.stayed.length, 'task')} stayed: ${first.reason}`);
  };
}

/** The days to which tasks are carried. */
const daysOf = (choices: readonly { chosen: Chosen }[], today: Day): Set<Day> =>
  new Set(choices.flatMap(({ chosen: { choice, day } }) => (choice === 'today' ? [today] : choice === 'day' && day !== null ? [day] : [])));

function reasons({ rests, waits, repeats, leftAlone }: CarryAnswer['left']): string {
  const said = [
    rests > 0 && `${rests} rest`,
    waits > 0 && `${waits} wait`,
    repeats > 0 && `${repeats} repeat`,
    leftAlone > 0 && `${leftAlone} ${leftAlone === 1 ? 'was' : 'were'} left alone before`,
  ].filter((one) => one !== false);
  return said.length === 0 ? '' : `Not offered: ${said.join(', ')}.`;
}

const dayOf = (iso: string): Day => readIsoDay(iso) ?? 0;
