/** How a series is filled: by lightness and by pattern, so that none is told by its colour alone. */
export const toneOf = (at: number): { fill: string; opacity: number; hatch: boolean } => ({
  fill: 'var(--primary)',
  opacity: [1, 0.55, 0.28][at % 3] ?? 1,
  hatch: at >= 3,
});
