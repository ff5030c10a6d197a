import type { ReactNode } from 'react';

interface ListedProps {
  count: number;
  /** What follows the count. */
  one: string;
  many: string;
  children: ReactNode;
}

/** What became, or will become, of some files: folded where they are many; nothing for none. */
export function Listed({ count, one, many, children }: ListedProps) {
  if (count === 0) return null;
  return (
    <details open={count < 6}>
      <summary className="cursor-pointer">
        {count} {count === 1 ? one : many}
      </summary>
      <ul className="ms-4 max-h-40 overflow-auto text-[0.9rem] text-muted [overflow-wrap:anywhere]">{children}</ul>
    </details>
  );
}
