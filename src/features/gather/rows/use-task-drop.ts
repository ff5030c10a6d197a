import { type DragEvent, useState } from 'react';
import { type TaskDrag, draggedTasks, isTaskDrag } from './task-drag';

/** What a place listens to on which tasks may be let go, and whether some are held over it now. */
export interface TaskDrop {
  isOver: boolean;
  handlers: {
    onDragOver: (event: DragEvent) => void;
    onDragLeave: (event: DragEvent) => void;
    onDrop: (event: DragEvent) => void;
  };
}

/**
 * A place on which tasks are let go. What is dragged and is none of ours goes on to whom it concerns.
 *
 * @example const { isOver, handlers } = useTaskDrop(({ tasks }) => plan(tasks)) // <div {...handlers} />
 */
export function useTaskDrop(onTasks: (drag: TaskDrag, event: DragEvent) => void): TaskDrop {
  const [isOver, setIsOver] = useState(false);
  return {
    isOver,
    handlers: {
      onDragOver: (event) => {
        if (!isTaskDrag(event)) return;
        event.preventDefault();
        setIsOver(true);
      },
      // Over what stands in it, it is not left.
      onDragLeave: (event) => !event.currentTarget.contains(event.relatedTarget as Node | null) && setIsOver(false),
      onDrop: (event) => {
        setIsOver(false);
        const drag = draggedTasks(event);
        if (!drag) return;
        event.preventDefault();
        event.stopPropagation();
        onTasks(drag, event);
      },
    },
  };
}
