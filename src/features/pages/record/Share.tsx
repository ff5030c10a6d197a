import type { Share } from '../../../core/index/questions/past/record';

/** How much of what was planned was kept: a bar whose filled part is what was kept, and the figures. */
export function ShareBar({ share: { planned, kept }, width = 120 }: { share: Share; width?: number }) {
  return (
    <span className="inline-flex items-center gap-2">
      <span aria-hidden="true" className="inline-block h-[9px] overflow-hidden border border-kept" style={{ width }}>
        <span className="block h-full bg-kept" style={{ width: `${planned === 0 ? 0 : (100 * kept) / planned}%` }} />
      </span>
      <span className="whitespace-nowrap tabular-nums">
        {kept} of {planned}
      </span>
    </span>
  );
}
