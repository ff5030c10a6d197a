import { Link } from 'react-router';
import { noteAddress } from '../../session/places/addresses';
import { accountOf } from './decisions';
import type { Through } from './use-through';

/** What changed, once all of a list was gone through. */
export function ThroughEnd({ through, place }: { through: Through; place: string | null }) {
  const { tasks, outcomes } = through;
  const account = accountOf(tasks.map((_, at) => outcomes[at] ?? null));
  return (
    <section aria-label="What changed">
      <h2 className="mb-2 font-title text-[1.17rem] font-semibold">
        {tasks.length === 1 ? 'The one task was gone through' : `All ${tasks.length} were gone through`}
      </h2>
      <ul className="mb-4">
        {account.map(({ words, count }) => (
          <li key={words} className="flex gap-2">
            <span className="min-w-8 text-end font-semibold tabular-nums">{count}</span>
            <span>{words}</span>
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap gap-2">
        {place !== null && (
          <Link className="solid-button" to={noteAddress(place)}>
            Back to the list
          </Link>
        )}
        <button type="button" className="line-button" onClick={() => through.to(0)}>
          Go through once more
        </button>
        <button type="button" className="line-button" onClick={through.undo}>
          Undo the last
        </button>
      </p>
    </section>
  );
}
