import { createElement } from 'react';
import { MARK_VIEW_BOX, type MarkLook, markShapes } from './mark-shapes';

const REACT_NAMES: Record<string, string> = {
  'stroke-width': 'strokeWidth',
  'stroke-linejoin': 'strokeLinejoin',
  'stroke-linecap': 'strokeLinecap',
  'stroke-dasharray': 'strokeDasharray',
  'text-anchor': 'textAnchor',
  'font-size': 'fontSize',
  'font-weight': 'fontWeight',
};

/** The drawing of a mark. */
export function MarkSvg({ look }: { look: MarkLook }) {
  return (
    <svg viewBox={MARK_VIEW_BOX} aria-hidden="true">
      {markShapes(look).map((shape, index) =>
        createElement(
          shape.tag,
          {
            key: index,
            ...Object.fromEntries(Object.entries(shape.attributes).map(([name, value]) => [REACT_NAMES[name] ?? name, value])),
          },
          shape.words,
        ),
      )}
    </svg>
  );
}
