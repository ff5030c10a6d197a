import { useMemo } from 'react';
import { scanCode } from './scan-code';

/** Words as a code for cameras; dark on white in every theme, since not all of them read it otherwise. */
export function ScanCode({ words, label }: { words: string; label: string }) {
  const { dark, size } = useMemo(() => scanCode(words), [words]);
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${size} ${size}`} className="mx-auto w-[min(15rem,60vw)]" shapeRendering="crispEdges">
      <rect width={size} height={size} fill="#fff" />
      <path d={dark.map(([row, column]) => `M${column} ${row}h1v1h-1z`).join('')} fill="#000" />
    </svg>
  );
}
