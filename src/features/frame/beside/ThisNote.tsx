import { useState } from 'react';
import { GatherList } from '../../gather/list/GatherList';
import { RowMenus } from '../../gather/rows/RowMenu';
import { useAnswer } from '../../session/asked/use-answer';

type Part = 'open' | 'resting' | 'closed';

const CONDITIONS: Record<Part, string> = {
  open: 'this note and open and not resting',
  resting: 'this note and resting',
  closed: 'this note and closed',
};
const WORDS: Record<Part, string> = { open: 'open', resting: 'resting', closed: 'closed' };
const PARTS = ['open', 'resting', 'closed'] as const;

/** The tasks of the note on the page: one sentence, whose parts switch the rows. */
export function ThisNote({ path }: { path: string | null }) {
  if (path === null)
    return <p className="text-muted">What is shown in the middle is no single note. Open one, and its tasks stand here.</p>;
  return <NoteTasks key={path} path={path} />;
}

function NoteTasks({ path }: { path: string }) {
  const [part, setPart] = useState<Part>('open');
  const answers = {
    open: useAnswer(`${CONDITIONS.open}\norder by path`, path),
    resting: useAnswer(`${CONDITIONS.resting}\norder by back`, path),
    closed: useAnswer(`${CONDITIONS.closed}\norder by path`, path),
  };
  const answer = answers[part];
  return (
    <div className="rounded-lg bg-sheet px-3 py-2.5 text-[0.95rem]" data-lists>
      <p className="mb-1 flex gap-1 text-muted">
        {PARTS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={part === one}
            onClick={() => setPart(one)}
            className={`quiet-button ${part === one ? 'bg-primary-soft font-semibold text-ink' : ''}`}
          >
            {answers[one]?.total ?? '…'} {WORDS[one]}
          </button>
        ))}
      </p>
      <RowMenus>
        <GatherList answer={answer} groupHeading="h3" withSource={false} />
      </RowMenus>
      {answer?.total === 0 && (
        <p className="text-muted">
          {part === 'open' ? 'No open task in this note. A line that begins with - [ ] makes one.' : `No ${WORDS[part]} task in this note.`}
        </p>
      )}
    </div>
  );
}
