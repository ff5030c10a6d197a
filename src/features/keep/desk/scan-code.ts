import makeCode from 'qrcode-generator';

/** Empty squares around the code, which readers need (ISO/IEC 18004, 5.3.8). */
const QUIET = 4;

/** A code as it is drawn: its dark squares, and how many squares it is wide with the empty ones around it. */
export interface ScanSquares {
  dark: (readonly [row: number, column: number])[];
  size: number;
}

/** Words as a code that cameras read (ISO/IEC 18004), with a part of it that may be unreadable. */
export function scanCode(words: string): ScanSquares {
  const code = makeCode(0, 'M');
  code.addData(words);
  code.make();
  const count = code.getModuleCount();
  const dark: [number, number][] = [];
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++) if (code.isDark(row, column)) dark.push([row + QUIET, column + QUIET]);
  return { dark, size: count + 2 * QUIET };
}
