import { Link } from 'react-router';
import { Dialog } from '../../../ui/Dialog';
import { InlineText } from '../../../ui/InlineText';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { whenWords } from './ringing';
import { useAnswers } from './use-answers';
import { useRings } from './use-rings';

/** Several reminders, each with what can be said to it. */
export function RemindersDialog({ onClose }: { onClose: () => void }) {
  const rings = useRings();
  const { answers, letGo } = useAnswers();
  const { day: today } = useNow();
  return (
    <Dialog open onClose={onClose} title="Reminders" side="wide">
      {rings.length === 0 && <p className="text-muted">Nothing more is to be remembered now.</p>}
      <ul>
        {rings.map((ring) => (
          <li key={ring.id} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1.5">
            <span className="w-28 flex-none text-[0.9rem] tabular-nums text-muted">{whenWords(ring, today)}</span>
            <Link to={noteAddress(ring.path, ring.line ?? undefined)} className="min-w-40 flex-1 hover:underline" onClick={onClose}>
              <InlineText text={ring.text} />
            </Link>
            <span className="flex flex-wrap">
              {answers(ring).map(({ words, act }) => (
                <button key={words} type="button" className="quiet-button text-[0.86rem]" onClick={act}>
                  {words}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {rings.length > 1 && (
        <button type="button" className="line-button mt-3 justify-self-start" onClick={() => letGo(rings)}>
          All heard
        </button>
      )}
    </Dialog>
  );
}
