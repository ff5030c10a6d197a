import { MarkSvg } from './MarkSvg';
import { type MarkLook, markClass } from './mark-shapes';

/** A mark that only shows a status, and is no button. */
export function MarkPicture({ look }: { look: MarkLook }) {
  return (
    <span className={markClass(look)} aria-hidden="true">
      <MarkSvg look={look} />
    </span>
  );
}
