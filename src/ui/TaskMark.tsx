import { createElement } from 'react';
import { MARK_VIEW_BOX, type MarkLook, isOnEdge, markClass, markLabel, markShapes } from './mark-shapes';

interface TaskMarkProps {
  look: MarkLook;
  /** What the button is for, such as the task's words. */
  of: string;
  /** Whether the row it stands in is selected. */
  selected?: boolean;
  /** `byKey` is true when a key ticked it. */
  onTick: (byKey: boolean) => void;
  /** Called when its left edge was pressed. */
  onRaise: () => void;
}

const REACT_NAMES: Record<string, string> = {
  'stroke-width': 'strokeWidth',
  'stroke-linejoin': 'strokeLinejoin',
  'stroke-linecap': 'strokeLinecap',
  'stroke-dasharray': 'strokeDasharray',
};

/** A task's mark as a checkbox that ticks it; a press on its left edge raises the priority. */
export function TaskMark({ look, of, selected = false, onTick, onRaise }: TaskMarkProps) {
  const closed = look.status === 'done' || look.status === 'cancelled';
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={closed}
      aria-label={`${markLabel(look)}${selected ? ', selected' : ''}: ${of}`}
      title={closed ? 'Open it again' : 'Mark as done; its left edge raises the priority'}
      className={markClass(look)}
      // A click without a pointer comes from a key.
      onClick={(event) => {
        const { clientX, detail, nativeEvent } = event;
        const { pointerType } = nativeEvent as MouseEvent & { pointerType?: string };
        const press = { clientX, detail, ...(pointerType !== undefined && { pointerType }) };
        if (!closed && isOnEdge(press, event.currentTarget.getBoundingClientRect().left)) onRaise();
        else onTick(detail === 0);
      }}
    >
      <svg viewBox={MARK_VIEW_BOX} aria-hidden="true">
        {markShapes(look).map((shape, index) =>
          createElement(shape.tag, {
            key: index,
            ...Object.fromEntries(Object.entries(shape.attributes).map(([name, value]) => [REACT_NAMES[name] ?? name, value])),
          }),
        )}
      </svg>
    </button>
  );
}
