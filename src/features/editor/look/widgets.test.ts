import type { AddedStatus } from '../../../core/task/line/status';
import type { MarkLook } from '../../../ui/marks/mark-shapes';
import { MarkWidget } from './widgets';

const LOOK: MarkLook = { status: 'waiting', priority: null, late: false, resting: false };
const added = (name: string): AddedStatus =>
  ({ name, sign: '?', means: 'waiting', colour: null, icon: null, path: 'Statuses/x.md' }) as AddedStatus;

describe('the mark of a line', () => {
  it('is drawn anew when the status changes that a note adds, and only then', () => {
    const asked = added('Asked');
    const mark = new MarkWidget({ ...LOOK, added: asked });
    expect(mark.eq(new MarkWidget({ ...LOOK, added: asked }))).toBe(true);
    expect(mark.eq(new MarkWidget({ ...LOOK, added: added('Asked again') }))).toBe(false);
    expect(mark.eq(new MarkWidget(LOOK))).toBe(false);
  });
});
