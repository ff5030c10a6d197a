import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import { Dialog } from '../../../ui/Dialog';
import { DEMO_FILES } from '../../program/opening/demo-files';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { useTemplates } from '../../note/templates/use-templates';
import { useMakeReview } from './use-make-review';

/** The templates of reviews that ship, for a desk that has none of its own. */
const SHIPPED = ['Week in review', 'Month in review'].flatMap((title) => {
  const path = `Templates/${title}.md`;
  const text = DEMO_FILES[`/demo/${path}`];
  return text === undefined ? [] : [{ path, title, text, makes: 'review' }];
});

/** Begins a review from a template, or leads to those that were begun and not finished. */
export function NewReviewDialog({ onClose }: { onClose: () => void }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const templates = useTemplates();
  const make = useMakeReview();
  const going = (useAsked('reviews', {}) ?? []).filter(({ facts }) => facts.end === null && facts.date !== null);
  if (templates === null) return null;
  // The week comes round most often.
  const rank = ({ path }: { path: string }): number => SHIPPED.findIndex((one) => one.path === path) >>> 0;
  const own = templates.filter(({ makes }) => makes === 'review').toSorted((one, other) => rank(one) - rank(other));
  return (
    <Dialog open onClose={onClose} title="Review">
      <div className="grid gap-3">
        {going.length > 0 && (
          <section aria-label="Not finished">
            <h3 className="section-label mb-1">Not finished</h3>
            <ul>
              {going.map(({ path, title, facts }) => (
                <li key={path}>
                  <Link className="name-link" to={noteAddress(path)} onClick={onClose}>
                    {title}
                  </Link>{' '}
                  <span className="text-muted">{facts.date !== null && dayName(facts.date, today, style)}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label="Begin a new one">
          <h3 className="section-label mb-1">Begin a new one</h3>
          <div className="flex flex-wrap gap-2">
            {(own.length > 0 ? own : SHIPPED).map((template, index) => (
              <button
                key={template.path}
                type="button"
                autoFocus={index === 0}
                className={index === 0 ? 'solid-button' : 'line-button'}
                onClick={() => {
                  onClose();
                  void make(template);
                }}
              >
                {template.title}
              </button>
            ))}
          </div>
          <p className="mt-2 text-[0.93rem] text-muted">
            {own.length > 0
              ? 'A note of kind template with “for: review” is one more; its steps are yours to change.'
              : 'Templates of your own stand here as soon as a note of kind template says “for: review”.'}
          </p>
        </section>
      </div>
    </Dialog>
  );
}
