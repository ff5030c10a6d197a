import type { Series } from '../../../core/gather/forms/series';
import { toneOf } from './tones';

/** What the parts of a bar stand for; nothing where there is one. */
export function Legend({ series }: { series: readonly Series[] }) {
  if (series.length < 2) return null;
  return (
    <ul aria-label="What the parts stand for" className="mb-1 flex flex-wrap gap-x-4 text-[0.86rem]">
      {series.map(({ key, label }, at) => {
        const { fill, opacity, hatch } = toneOf(at);
        return (
          <li key={key} className="flex items-center gap-1.5">
            <svg width="14" height="14" aria-hidden="true">
              <rect width="14" height="14" fill={fill} opacity={opacity} stroke="var(--edge)" />
              {hatch && <path d="M0 14 L14 0 M-4 8 L8 -4 M6 18 L18 6" stroke="var(--sheet)" strokeWidth="2" />}
            </svg>
            {label}
          </li>
        );
      })}
    </ul>
  );
}
