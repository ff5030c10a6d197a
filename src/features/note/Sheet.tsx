import { type ReactNode, useEffect } from 'react';
import { useAppSelector } from '../session/state/state';
import { plainWords } from '../strip/plain-words';

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
  const hand = useAppSelector((state) => state.library.hand?.now?.item.text ?? null);
  useEffect(() => {
    // What is in hand stands first, so that it is seen in a row of tabs.
    const parts = [hand === null ? '' : plainWords(hand), title, 'Recado'];
    document.title = parts.filter((part) => part !== '').join(' · ');
  }, [hand, title]);
  return (
    <main
      id="page"
      tabIndex={-1}
      aria-busy={busy}
      className="relative min-w-0 flex-1 overflow-y-auto bg-sheet px-5 pt-6 pb-16 outline-none sm:px-11 md:rounded-tr-xl"
    >
      <div className={`mx-auto md:mx-0 ${wide ? '' : 'max-w-[46rem]'}`}>{children}</div>
    </main>
  );
}
