/** How many shared lines are shown before and behind a place where two texts differ. */
const NEAR = 2;

interface SameLinesProps {
  lines: readonly string[];
  /** What is said of those that are left out. */
  words: string;
  /** Whether nothing stands before them, or behind: then only those beside a place are shown. */
  isFirst?: boolean;
  isLast?: boolean;
}

/** Lines that two texts share, but for those that are far from any place where they differ. */
export function SameLines({ lines, words, isFirst = false, isLast = false }: SameLinesProps) {
  const before = isFirst ? 0 : NEAR;
  const behind = isLast ? 0 : NEAR;
  const left = lines.length - before - behind;
  return (
    <div className="px-2 font-mono text-[0.82rem] text-muted">
      <TextLines lines={left > 1 ? lines.slice(0, before) : lines} />
      {left > 1 && (
        <>
          <p className="py-0.5 font-sans">
            … {left} lines {words} …
          </p>
          <TextLines lines={lines.slice(lines.length - behind)} />
        </>
      )}
    </div>
  );
}

/** Lines of a text as they are. */
export function TextLines({ lines }: { lines: readonly string[] }) {
  return <span className="block [overflow-wrap:anywhere] whitespace-pre-wrap">{lines.map((line) => `${line}\n`).join('')}</span>;
}
