import { MarkSvg } from './MarkSvg';
import { type MarkLook, isOnEdge, markClass, markLabel } from './mark-shapes';

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
      <MarkSvg look={look} />
    </button>
  );
}
