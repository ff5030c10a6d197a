import type { ReactNode } from 'react';

/** A part of a page of its own, under its heading. */
export function SheetPart({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mb-7" aria-label={title}>
      <h2 className="mb-1.5 font-title text-[1.17rem] font-semibold">{title}</h2>
      {children}
    </section>
  );
}
