import { CalendarPlus, IndentDecrease, IndentIncrease, MoreHorizontal, Redo2, SquareCheck, TextSearch, Undo2 } from 'lucide-react';
import { type ComponentType, useEffect, useState } from 'react';
import type { TextCommandId } from '../../commands/definitions';

export const TOUCH_TOOLS: readonly (readonly [id: TextCommandId, title: string, Icon: ComponentType<{ size: number }>])[] = [
  ['text-tick', 'Tick, or make a task of the line', SquareCheck],
  ['text-out', 'Outdent', IndentDecrease],
  ['text-in', 'Indent', IndentIncrease],
  ['text-tail', 'Date', CalendarPlus],
  ['text-details', 'Details', MoreHorizontal],
  ['undo', 'Undo', Undo2],
  ['redo', 'Redo', Redo2],
];

interface TouchBarProps {
  tools?: typeof TOUCH_TOOLS;
  onRun: (id: TextCommandId) => void;
  /** Shows all commands; left out where there are none beside these. */
  onAll?: () => void;
}

/** By touch, while a text is written: what keys do otherwise, above the keyboard of the screen. */
export function TouchBar({ tools = TOUCH_TOOLS, onRun, onAll }: TouchBarProps) {
  const bottom = useKeyboardHeight();
  return (
    <div
      role="toolbar"
      aria-label="Tools for the text"
      className="no-print fixed inset-x-0 z-40 flex border-t border-line bg-sheet"
      style={{ bottom: `calc(${bottom}px + env(safe-area-inset-bottom))` }}
      // The text keeps the focus, and the keyboard stays.
      onPointerDown={(event) => event.preventDefault()}
    >
      {tools.map(([id, title, Icon]) => (
        <button key={id} type="button" aria-label={title} className="grid min-h-11 flex-1 place-items-center" onClick={() => onRun(id)}>
          <Icon size={19} />
        </button>
      ))}
      {onAll && (
        <button type="button" aria-label="All commands" className="grid min-h-11 flex-1 place-items-center" onClick={onAll}>
          <TextSearch size={18} />
        </button>
      )}
    </div>
  );
}

/** How much of the window, in pixels from below, the keyboard of the screen covers; without one it is the bar of the main places, which stays in reach. */
function useKeyboardHeight(): number {
  const [height, setHeight] = useState(0);
  useEffect(() => {
    const { visualViewport } = window;
    if (!visualViewport) return;
    const measure = (): void => {
      const covered = Math.max(0, window.innerHeight - visualViewport.height - visualViewport.offsetTop);
      setHeight(covered > 0 ? covered : (document.getElementById('main-places')?.offsetHeight ?? 0));
    };
    measure();
    visualViewport.addEventListener('resize', measure);
    visualViewport.addEventListener('scroll', measure);
    return () => {
      visualViewport.removeEventListener('resize', measure);
      visualViewport.removeEventListener('scroll', measure);
    };
  }, []);
  return height;
}
