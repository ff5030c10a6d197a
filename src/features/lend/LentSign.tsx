import { Share2 } from 'lucide-react';
import { Link } from 'react-router';
import { lentAddress } from '../session/places/addresses';

/** That something is lent, by shape and word; it leads to all that is. */
export function LentSign() {
  return (
    <Link className="chip" to={lentAddress()} title="Others can open this by an address" onClick={(event) => event.stopPropagation()}>
      <Share2 size={11} aria-hidden="true" className="me-1 inline align-[-1px]" />
      <span className="chip-value">lent</span>
    </Link>
  );
}

/** The same of a page on the rack. */
export function LentShape() {
  return (
    <span title="Something in it is lent">
      <Share2 size={12} aria-hidden="true" className="text-muted" />
      <span className="sr-only">lent</span>
    </span>
  );
}
