import makeCode from 'qrcode-generator';
import { useMemo } from 'react';

/** Empty squares around the code, which readers need (ISO/IEC 18004, 5.3.8). */
const QUIET = 4;

/** Words as a code that cameras read (ISO/IEC 18004); dark on white in every theme, since not all cameras read it otherwise. */
export function ScanCode({ words, label }: { words: string; label: string }) {
  const { path, size } = useMemo(() => {
    const code = makeCode(0, 'M');
    code.addData(words);
    code.make();
    const count = code.getModuleCount();
    let drawn = '';
    for (let row = 0; row < count; row++)
      for (let column = 0; column < count; column++) if (code.isDark(row, column)) drawn += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
    return { path: drawn, size: count + 2 * QUIET };
  }, [words]);
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${size} ${size}`} className="mx-auto w-[min(15rem,60vw)]" shapeRendering="crispEdges">
      <rect width={size} height={size} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
