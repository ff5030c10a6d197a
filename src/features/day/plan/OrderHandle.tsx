import { GripVertical } from 'lucide-react';
import { type PointerEvent, useRef, useState } from 'react';

/** A finger that moves less, in pixels, pressed. */
const STILL = 6;

interface OrderHandleProps {
  /** What is moved. */
  of: string;
  /** The middles of all places, from the top, in pixels of the window. */
  places: () => number[];
  /** Its own place among them. */
  at: number;
  onMove: (to: number) => void;
}

/** By touch: a handle that moves a task in the order of its day, wherever it is drawn; a mere press moves it one place up. */
export function OrderHandle({ of, places, at, onMove }: OrderHandleProps) {
  const from = useRef<{ y: number; middles: number[] } | null>(null);
  const [carried, setCarried] = useState(false);
  const dragged = useRef(false);
  const placeAt = (y: number): number => {
    const { middles = [] } = from.current ?? {};
    return middles.filter((middle, index) => index !== at && middle < y).length;
  };
  const end = (event: PointerEvent): void => {
    const begun = from.current;
    if (!begun) return;
    const to = placeAt(event.clientY);
    from.current = null;
    setCarried(false);
    carriedRow(event)?.style.removeProperty('transform');
    dragged.current = Math.abs(event.clientY - begun.y) > STILL;
    if (dragged.current && to !== at) onMove(to);
  };
  return (
    <button
      type="button"
      aria-label={`Move ${of} up, or drag it`}
      className={`no-print grid min-h-[44px] w-[34px] touch-none self-stretch place-items-center text-muted ${carried ? 'text-primary' : ''}`}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { y: event.clientY, middles: places() };
        setCarried(true);
      }}
      onPointerMove={(event) => {
        const row = carriedRow(event);
        if (from.current && row) row.style.transform = `translateY(${event.clientY - from.current.y}px)`;
      }}
      onPointerUp={end}
      onPointerCancel={(event) => {
        from.current = null;
        setCarried(false);
        carriedRow(event)?.style.removeProperty('transform');
      }}
      // The click that ends a drag is none; a press, or a reader of the screen, moves it one place.
      onClick={({ detail }) => {
        if (detail === 0 || !dragged.current) onMove(Math.max(0, at - 1));
        dragged.current = false;
      }}
    >
      <GripVertical size={15} aria-hidden="true" />
    </button>
  );
}

const carriedRow = (event: PointerEvent): HTMLElement | null => event.currentTarget.closest<HTMLElement>('[data-place]');
