import { type ReactNode, memo } from 'react';

interface EntryProps {
  to: string;
  words: string;
  count: number;
  indent?: number;
  weighty?: boolean;
  title?: string | undefined;
  /** Whether it is the page that is shown. */
  here: boolean;
}

/** A page on the rack, with its count of open tasks. A plain link: the rack follows clicks on all of them. */
export const Entry = memo(function Entry({ to, words, count, indent = 0, weighty = false, title, here }: EntryProps) {
  return (
    <a
      href={to}
      data-route
      title={title}
      aria-current={here ? 'page' : undefined}
      className={`flex min-h-[26px] items-center gap-2 rounded-md px-2 hover:bg-raised ${here ? 'bg-sheet font-semibold' : ''}`}
      style={{ paddingInlineStart: `${8 + indent}px` }}
    >
      <span className="min-w-0 flex-1 truncate">{words}</span>
      <span className={`text-[0.82rem] tabular-nums ${weighty && count > 0 ? 'font-bold text-late' : 'text-muted'}`}>{count || ''}</span>
    </a>
  );
});

/** A part of the rack under its own small heading. */
export function Section({ title, action, children }: { title: string; action?: ReactNode; children: ReactNode }) {
  return (
    <section className="mt-3 first:mt-1" aria-label={title}>
      <div className="flex min-h-[26px] items-center justify-between px-2">
        <h2 className="section-label">{title}</h2>
        {action}
      </div>
      {children}
    </section>
  );
}
