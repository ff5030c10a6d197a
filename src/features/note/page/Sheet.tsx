import { type ReactNode, type RefObject, useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { useAppSelector } from '../../session/state/state';
import { plainWords } from '../../frame/strip/plain-words';

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
  const page = useRef<HTMLElement>(null);
  useFocusLeft(page);
  const hand = useAppSelector((state) => state.library.hand?.now?.item.text ?? null);
  useEffect(() => {
    // What is in hand stands first, so that it is seen in a row of tabs.
    const parts = [hand === null ? '' : plainWords(hand), title, 'Recado'];
    document.title = parts.filter((part) => part !== '').join(' · ');
  }, [hand, title]);
  return (
    <main
      ref={page}
      id="page"
      tabIndex={-1}
      aria-busy={busy}
      className="relative min-w-0 flex-1 overflow-y-auto bg-sheet px-5 pt-6 pb-16 outline-none sm:px-11 md:rounded-tr-xl"
    >
      <div className={`mx-auto md:mx-0 ${wide ? '' : 'max-w-[var(--text-width,46rem)]'}`}>{children}</div>
    </main>
  );
}

/** Whoever comes by key from a page that went, with what had the focus there, goes on by Tab in this one and not at the top of the window. */
function useFocusLeft(page: RefObject<HTMLElement | null>): void {
  const { key } = useLocation();
  useEffect(() => {
    // Where the program was opened, the way begins at its top.
    if (key === 'default') return;
    const frame = requestAnimationFrame(() => {
      if (document.activeElement === document.body) page.current?.focus({ preventScroll: true });
    });
    return () => cancelAnimationFrame(frame);
  }, [key, page]);
}
