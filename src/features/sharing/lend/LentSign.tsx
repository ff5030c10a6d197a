import { Link } from 'react-router';
import { LENT_CHIP } from '../../../ui/marks/lent-chip';
import { lentAddress } from '../../session/places/addresses';

/** That a task is lent; it leads to all that is. */
export function LentSign() {
  return (
    <Link className="chip" to={lentAddress()} title="Others can open this by an address" onClick={(event) => event.stopPropagation()}>
      <span className="chip-word" aria-hidden="true">
        {LENT_CHIP.word}
      </span>{' '}
      <span className="chip-value">{LENT_CHIP.value}</span>
    </Link>
  );
}

/** That something in a note on the rack is lent. */
export function LentShape() {
  return (
    <span title="Something in it is lent" className="text-[0.78rem] whitespace-nowrap text-muted">
      <span aria-hidden="true">{LENT_CHIP.word}</span> {LENT_CHIP.value}
    </span>
  );
}
