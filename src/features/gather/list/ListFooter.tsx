import type { AnswerView } from '../../../core/index/live/view';

interface ListFooterProps {
  answer: AnswerView;
  /** Shows what limits leave out; null when nothing is left out. */
  showAll: (() => void) | null;
}

/** What a list leaves out: what limits cut, to be shown at a press, and what rests. The same below every form. */
export function ListFooter({ answer, showAll }: ListFooterProps) {
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
