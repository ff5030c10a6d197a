import type { Priority } from '../../core/task/line/clause';
import { type AddedStatus, STATUS_COLOURS, type Status, STATUS_NAMES } from '../../core/task/line/status';

/** One SVG element of a task mark. */
export interface MarkShape {
  tag: 'path' | 'rect' | 'circle' | 'text';
  attributes: Record<string, string>;
  /** What a text says. */
  words?: string;
}

/** What a mark tells: a status, the priority on its edges, lateness by colour, and by dots that the task rests. */
export interface MarkLook {
  status: Status;
  priority: Priority | null;
  late: boolean;
  resting: boolean;
  /** The status that a note adds, where it is one. */
  added?: AddedStatus | undefined;
}

export const MARK_VIEW_BOX = '0 0 20 18';
const CARD = 'M5.75 1.75H13L17.25 6V16.25H5.75Z';
/** A low priority leaves the lower edge open. */
const OPEN_CARD = 'M5.75 16.25V1.75H13L17.25 6V16.25';

/** The shapes of a mark: a small card with its upper right corner cut. Page and editor draw the same ones. */
export function markShapes({ status, priority, resting, added }: MarkLook): MarkShape[] {
  const outline = { fill: 'none', stroke: 'currentColor', 'stroke-width': '1.5', 'stroke-linejoin': 'round' };
  const shapes: MarkShape[] = [];
  if (added) shapes.push(...addedShapes(added, priority, resting));
  else if (status === 'done') {
    shapes.push({
      tag: 'path',
      attributes: { d: CARD, fill: 'currentColor', stroke: 'currentColor', 'stroke-width': '1.5', 'stroke-linejoin': 'round' },
    });
    shapes.push({
      tag: 'path',
      attributes: {
        d: 'M8 9.6l2.5 2.6 4.4-5',
        fill: 'none',
        stroke: 'var(--sheet)',
        'stroke-width': '1.9',
        'stroke-linecap': 'round',
        'stroke-linejoin': 'round',
      },
    });
  } else {
    if (status === 'underway')
      shapes.push({ tag: 'rect', attributes: { x: '6.5', y: '9', width: '10', height: '6.6', fill: 'var(--mark-fill, currentColor)' } });
    const dotted: Record<string, string> = resting ? { 'stroke-dasharray': '1.6 1.9' } : {};
    shapes.push({ tag: 'path', attributes: { d: priority === 'low' ? OPEN_CARD : CARD, ...outline, ...dotted } });
    if (status === 'waiting') {
      shapes.push({ tag: 'circle', attributes: { cx: '9.4', cy: '10.4', r: '1.15', fill: 'currentColor' } });
      shapes.push({ tag: 'circle', attributes: { cx: '13.6', cy: '10.4', r: '1.15', fill: 'currentColor' } });
    }
    if (status === 'cancelled')
      shapes.push({ tag: 'rect', attributes: { x: '8', y: '9.2', width: '7', height: '1.8', fill: 'currentColor' } });
  }
  if (priority === 'high' || priority === 'top')
    shapes.push({ tag: 'rect', attributes: { x: '4', y: '1', width: '3.2', height: '16', fill: 'currentColor' } });
  if (priority === 'top') shapes.push({ tag: 'rect', attributes: { x: '0', y: '1', width: '2.4', height: '16', fill: 'currentColor' } });
  return shapes;
}

/** A card with the sign or icon of an added status in it; filled where it counts as finished. */
function addedShapes({ means, icon, sign }: AddedStatus, priority: Priority | null, resting: boolean): MarkShape[] {
  const closed = means === 'done' || means === 'cancelled';
  const card = {
    d: priority === 'low' && !closed ? OPEN_CARD : CARD,
    fill: closed ? 'currentColor' : 'none',
    stroke: 'currentColor',
    'stroke-width': '1.5',
    'stroke-linejoin': 'round',
    ...(resting && { 'stroke-dasharray': '1.6 1.9' }),
  };
  const words = [...(icon ?? sign)].slice(0, 2).join('');
  const text = {
    x: '11.2',
    y: '13.2',
    'text-anchor': 'middle',
    'font-size': words.length > 1 ? '7.5' : '10.5',
    'font-weight': '800',
    fill: closed ? 'var(--sheet)' : 'currentColor',
  };
  return [
    { tag: 'path', attributes: card },
    { tag: 'text', attributes: text, words },
  ];
}

/** The classes that colour a mark. */
export function markClass({ status, priority, late, added }: MarkLook): string {
  const colour = STATUS_COLOURS.find((one) => one === added?.colour);
  const edge = priority === 'high' || priority === 'top' ? ` task-mark-${priority}` : '';
  return `task-mark task-mark-${status}${edge}${colour === undefined ? '' : ` status-${colour}`}${late ? ' task-mark-late' : ''}`;
}

/** What a mark says to those who do not see it: “To do, high, late”. */
export function markLabel({ status, priority, late, resting, added }: MarkLook): string {
  return [added?.name ?? STATUS_NAMES[status], priority, late ? 'late' : null, resting ? 'rests' : null].filter(Boolean).join(', ');
}

/** How far from the left of a mark its edge reaches, in pixels: a press there is meant for the priority. */
const EDGE = 8;

/**
 * Whether a press with a mouse or pen meant the left edge of a mark. A finger is too wide for it, and a key has no place.
 *
 * @param left where the mark begins on the page
 */
export function isOnEdge(event: { clientX: number; detail: number; pointerType?: string }, left: number): boolean {
  return event.detail > 0 && event.pointerType !== 'touch' && event.clientX - left < EDGE;
}
