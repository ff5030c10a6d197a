import { type ReactNode, useEffect } from 'react';

interface SheetProps {
  /** For the title of the window. */
  title: string;
  /** Whether what it shows is still on its way. */
  busy?: boolean;
  /** Whether it uses the whole width, as tables do. */
  wide?: boolean;
  children?: ReactNode;
}

/** The white sheet in the middle of the frame. */
export function Sheet({ title, busy = false, wide = false, children }: SheetProps) {
  useEffect(() => {
    document.title = title === '' ? 'Recado' : `${title} · Recado`;
  }, [title]);
  return (
    <main
      id="page"
      tabIndex={-1}
      aria-busy={busy}
      className="min-w-0 flex-1 overflow-y-auto bg-sheet px-5 pt-6 pb-16 outline-none sm:px-11 md:rounded-tr-xl"
    >
      <div className={`mx-auto md:mx-0 ${wide ? '' : 'max-w-[46rem]'}`}>{children}</div>
    </main>
  );
}
