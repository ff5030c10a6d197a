interface ListedProps {
  lines: readonly string[];
  /** What follows their number. */
  one: string;
  many: string;
}

/** What became, or will become, of some files: folded where they are many; nothing for none. */
export function Listed({ lines, one, many }: ListedProps) {
  const { length } = lines;
  if (length === 0) return null;
  return (
    <details open={length < 6}>
      <summary className="cursor-pointer">
        {length} {length === 1 ? one : many}
      </summary>
      <ul className="ms-4 max-h-40 overflow-auto text-[0.9rem] text-muted [overflow-wrap:anywhere]">
        {lines.map((line, index) => (
          <li key={index}>{line}</li>
        ))}
      </ul>
    </details>
  );
}
