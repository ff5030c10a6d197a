import { MARK_VIEW_BOX } from './marks/mark-shapes';

/** Recado's sign: the card of a task with the edge of a weighty one. */
export function Logo() {
  return (
    <span className="flex items-center gap-2 font-title text-[1.45rem] font-bold leading-none">
      <svg viewBox={MARK_VIEW_BOX} className="h-[22px] w-[24px] text-primary" aria-hidden="true">
        <rect x="1" y="1" width="3.4" height="16" fill="currentColor" />
        <path d="M6.2 1H13.6L18.6 6V17H6.2Z" fill="currentColor" />
      </svg>
      Recado
    </span>
  );
}
