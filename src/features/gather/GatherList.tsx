import { useCallback, useRef, type KeyboardEvent } from 'react';
import type { AnswerView, GroupView, RowView } from '../../core/index/view';
import { durationName } from '../../core/calendar/duration';
import type { Intention } from '../../core/task/intention';
import { useAppSelector } from '../session/state';
import { useAct } from '../session/use-act';
import { GatherRow } from './GatherRow';
import { useHeldGroups } from './use-held-groups';

interface GatherListProps {
  answer: AnswerView | undefined;
  /** The level of its group headings. */
  groupHeading: 'h3' | 'h4';
  withSource?: boolean;
  /** Shows what limits leave out; null when nothing is left out. */
  showAll?: (() => void) | null;
}

/** The rows of a gather, in their groups: the same on agenda pages, in notes and in the beside panel. */
export function GatherList({ answer, groupHeading, withSource = true, showAll = null }: GatherListProps) {
  const { act } = useAct();
  const { groups, hold } = useHeldGroups(
    answer,
    useAppSelector((state) => state.settings.holdSeconds),
  );
  const list = useRef<HTMLDivElement>(null);
  const onAct = useCallback(
    (row: RowView, intention: Intention) => {
      // A repeat stays open: it takes its next date.
      const after = intention.do === 'status' && row.every === null ? { ...row, status: intention.status } : row;
      hold(row, after);
      const ref = { path: row.path, line: row.line, expected: row.raw };
      void act(ref, row.text, intention, Math.max(0, row.stepCount - row.stepsDone)).then((raw) =>
        hold(row, raw === null ? row : { ...after, raw }),
      );
    },
    [act, hold],
  );
  return (
    <div ref={list} onKeyDown={(event) => moveByArrow(event, list.current)}>
      {groups.map((group) => (
        <Group key={`${group.key ?? ''} ${group.label}`} group={group} heading={groupHeading} withSource={withSource} onAct={onAct} />
      ))}
      {answer && <Footer answer={answer} showAll={showAll} />}
    </div>
  );
}

interface GroupProps {
  group: GroupView;
  heading: 'h3' | 'h4';
  withSource: boolean;
  onAct: (row: RowView, intention: Intention) => void;
}

function Group({ group, heading: Heading, withSource, onAct }: GroupProps) {
  return (
    <section className={group.label === '' ? '' : 'mt-3 first:mt-0'}>
      {group.label !== '' && (
        <Heading className="mb-0.5 font-title text-[1.02rem] font-semibold">
          {group.label} <span className="font-sans text-[0.85rem] font-normal text-muted">{countWords(group)}</span>
        </Heading>
      )}
      <ul>
        {group.rows.map((row) => (
          <GatherRow key={row.id} row={row} withSource={withSource} onAct={onAct} />
        ))}
      </ul>
      {group.more > 0 && <p className="text-[0.85rem] text-muted">{group.more} more in this group</p>}
    </section>
  );
}

/** `4 · 3h 10`: how many, and how long they take. */
export function countWords({ count, takes }: Pick<GroupView, 'count' | 'takes'>): string {
  return takes === 0 ? String(count) : `${count} · ${durationName(takes)}`;
}

function Footer({ answer, showAll }: { answer: AnswerView; showAll: (() => void) | null }) {
  const more = answer.more + answer.groups.reduce((sum, group) => sum + group.more, 0);
  return (
    <>
      {showAll && (
        <button type="button" className="quiet-button -ms-2 text-[0.86rem]" onClick={showAll}>
          Show {more} more
        </button>
      )}
      {answer.resting > 0 && (
        <p className="mt-1 text-[0.82rem] text-muted">
          {answer.resting} {answer.resting === 1 ? 'rests' : 'rest'} and will come back
        </p>
      )}
    </>
  );
}

/** Up and down go from mark to mark. */
function moveByArrow(event: KeyboardEvent, list: HTMLElement | null): void {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0 || !(event.target instanceof HTMLElement) || !event.target.matches('.task-mark, a')) return;
  const marks = [...(list?.closest('[data-lists]') ?? list ?? document).querySelectorAll<HTMLElement>('.task-mark')];
  const row = event.target.closest('li')?.querySelector<HTMLElement>('.task-mark');
  const next = row ? marks[marks.indexOf(row) + step] : undefined;
  if (!next) return;
  event.preventDefault();
  next.focus();
}
