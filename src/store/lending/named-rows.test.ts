import type { LentRow } from './lent-branch';
import { namedRows } from './named-rows';

const row = (line: number, raw: string, path = 'Plan.md') => ({ path, line, raw });
let made = 0;
const named = (rows: Parameters<typeof namedRows>[0], before: readonly (LentRow | null)[] = []) =>
  namedRows(
    rows,
    before.flatMap((one) => one ?? []),
    () => `id${made++}`,
  );
const ids = (rows: readonly (LentRow | null)[]) => rows.map((one) => one?.id ?? null);

beforeEach(() => (made = 0));

describe('the names of the rows of a list that is lent', () => {
  const first = () => named([null, row(1, '- [ ] Lens {due 2026-12-04}'), row(2, '- [ ] Pack'), row(3, '- [ ] Glass')]);

  it('are new ones at first, and none for what is no task', () => expect(ids(first())).toEqual([null, 'id0', 'id1', 'id2']));

  it('go with their tasks where lines come above; what stands in their place has a new one', () => {
    const after = named([row(1, '- [ ] New'), row(2, '- [ ] Lens {due 2026-12-04}'), row(3, '- [ ] Pack'), row(4, '- [ ] Glass')], first());
    expect(ids(after)).toEqual(['id3', 'id0', 'id1', 'id2']);
  });

  it('stay where a task is ticked or moved to another day, also as lines come above', () => {
    const after = named([row(1, '- [ ] New'), row(2, '- [ ] Lens {due 2026-12-11}'), row(3, '- [x] Pack {done 2026-11-23}')], first());
    expect(ids(after)).toEqual(['id3', 'id0', 'id1']);
  });

  it('go nowhere where a task leaves and another comes in its place, or is reworded', () => {
    const after = named([row(1, '- [ ] Lens {due 2026-12-04}'), row(2, '- [ ] Sign the rider'), row(3, '- [ ] Glass')], first());
    expect(ids(after)).toEqual(['id0', 'id3', 'id2']);
  });

  it('are one for a task in two groups, and two for two tasks that read the same', () => {
    const before = named([row(1, '- [ ] Pack'), row(4, '- [ ] Pack'), row(1, '- [ ] Pack')]);
    expect(ids(before)).toEqual(['id0', 'id1', 'id0']);
    expect(ids(named([row(2, '- [ ] Pack'), row(5, '- [ ] Pack'), row(2, '- [ ] Pack')], before))).toEqual(['id0', 'id1', 'id0']);
  });

  it('go along to another note', () => {
    expect(ids(named([row(7, '- [ ] Glass', 'Other.md')], first()))).toEqual(['id2']);
  });
});
