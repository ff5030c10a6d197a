import { Link } from 'react-router';
import type { Stray } from '../../../core/index/days/day-plan';
import { InlineText } from '../../../ui/InlineText';
import { noteAddress } from '../../session/places/addresses';
import { foundTaskRef } from '../../session/acting/task-dialog';
import type { Choosing } from './use-choosing';

/** Echoes in the order of the day whose task is not planned for it: dimmed, with what plans it. */
export function Strays({ strays, choosing }: { strays: readonly Stray[]; choosing: Choosing }) {
  if (strays.length === 0) return null;
  return (
    <section aria-label="In the order, but not planned" className="ms-[3.6rem] mt-3 text-muted">
      <h3 className="section-label">In the order, but not planned for this day</h3>
      <ul>
        {strays.map(({ ref, task }) => (
          <li key={ref} className="flex min-h-[28px] flex-wrap items-center gap-2">
            {task ? (
              <>
                <Link to={noteAddress(task.path, task.line)} className="hover:underline">
                  <InlineText text={task.text} />
                </Link>
                <button
                  type="button"
                  className="quiet-button text-[0.86rem]"
                  onClick={() => choosing.choose([{ ref: foundTaskRef(task), text: task.text }])}
                >
                  Plan it
                </button>
              </>
            ) : (
              <span>Its task is gone; the line on the page keeps its words.</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
