import { Link } from 'react-router';
import type { AnswerView } from '../../core/index/live/view';
import { helpAddress } from '../session/places/addresses';

/** Names in a gather that nothing bears; it is answered all the same. */
function Hints({ hints }: { hints: AnswerView['hints'] }) {
  if (hints.length === 0) return null;
  return (
    <p role="note" className="mb-1 text-[0.86rem] text-muted">
      {hints.map((hint) => hint.message).join(' ')}
    </p>
  );
}

/** Why a gather cannot be read, with the line and the place; what it last found stays below. */
export function GatherErrors({ answer, text, hints }: { answer: AnswerView; text: string; hints: boolean }) {
  if (answer.errors.length === 0) return hints && <Hints hints={answer.hints} />;
  return (
    <div role="status" className="mb-2 rounded-md bg-late-soft px-3 py-1.5 text-[0.9rem] text-late">
      {answer.errors.map((error) => (
        <p key={`${error.from} ${error.message}`}>
          Line {text.slice(0, error.from).split('\n').length}: {error.message}
        </p>
      ))}
      <p>
        <Link className="underline" to={helpAddress('asking', 'clauses')}>
          How a gather is written
        </Link>
      </p>
      {answer.total > 0 && <p>Below stands what it found before.</p>}
    </div>
  );
}
