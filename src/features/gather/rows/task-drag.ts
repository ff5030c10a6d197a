import type { DragEvent } from 'react';
import type { DialogTask } from '../../session/acting/task-dialog';

const TYPE = 'application/x-recado-tasks';

/** Tasks that are dragged, with the keys of the group they come from. */
export interface TaskDrag {
  tasks: DialogTask[];
  from: readonly (string | null)[] | null;
}

/** Browsers tell what is dragged only when it is dropped; this tab knows it all along. */
let current: TaskDrag | null = null;

/** Begins to drag tasks; other programs get their words. */
export function startDrag(event: DragEvent, drag: TaskDrag): void {
  current = drag;
  event.dataTransfer.setData(TYPE, '1');
  event.dataTransfer.setData('text/plain', drag.tasks.map((task) => task.ref.expected.trim()).join('\n'));
  event.dataTransfer.effectAllowed = 'move';
}

export function endDrag(): void {
  current = null;
}

export function isTaskDrag(event: DragEvent): boolean {
  return event.dataTransfer.types.includes(TYPE) && current !== null;
}

/** The tasks that were dropped; null when it was something else. */
export function draggedTasks(event: DragEvent): TaskDrag | null {
  return isTaskDrag(event) ? current : null;
}
