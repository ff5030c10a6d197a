import { type MouseEventHandler, type ReactNode, type RefObject, useEffect } from 'react';
import { useLatest } from './use-latest';

interface HoverCardProps {
  card: RefObject<HTMLDivElement | null>;
  label: string;
  /** Where it begins, in pixels of the window. */
  at: { left: number; top: number };
  className: string;
  /** Called at Escape; whether the focus stood in it. */
  onEscape: (inside: boolean) => void;
  /** Called for other keys that nobody took. */
  onKey?: (event: KeyboardEvent) => void;
  onClick?: MouseEventHandler;
  children: ReactNode;
}

/** A card that hovers over the page about something on it, until Escape or its opener takes it away. It asks nothing and holds no focus. */
export function HoverCard({ card, label, at, className, onEscape, onKey, onClick, children }: HoverCardProps) {
  const latest = useLatest({ onEscape, onKey });
  useEffect(() => {
    const key = (event: KeyboardEvent): void => {
      if (event.defaultPrevented) return;
      if (event.key !== 'Escape') return latest.current.onKey?.(event);
      event.preventDefault();
      latest.current.onEscape(card.current?.contains(document.activeElement) ?? false);
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [card, latest]);
  return (
    <div
      ref={card}
      role="group"
      aria-label={label}
      className={`fixed z-30 overflow-y-auto border border-line bg-ground p-3 shadow-xl ${className}`}
      style={at}
      onClick={onClick}
    >
      {children}
    </div>
  );
}
