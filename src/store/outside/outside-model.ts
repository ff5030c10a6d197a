import fc from 'fast-check';
import { type SharedTask, sameTask } from '../../core/sharing/outside/shared-task';
import type { OutsideTrouble } from '../../core/sharing/outside/outside-task';
import type { Intention } from '../../core/task/acts/intention';
import { readNote } from '../../core/task/reading/read-note';
import { sharedOf } from '../../core/sharing/outside/shared-task';
import { MemoryService } from './memory-service';
import { outsideDesk } from './test-outside';

const LISTS = ['Team', 'Tasks'] as const;
/** Each task keeps its name through everything, so that it can be counted. */
const NAMES = ['one', 'two', 'three', 'four', 'five', 'six'] as const;
const NOTES = ['A.md', 'B.md'] as const;

type Deed =
  | { do: 'join'; name: number; list: number }
  | { do: 'unjoin'; name: number }
  | { do: 'here' | 'list'; name: number; change: Change }
  | { do: 'there'; name: number; change: Change }
  | { do: 'lose ref'; name: number }
  | { do: 'delete here'; name: number }
  | { do: 'to note'; name: number; note: number }
  | { do: 'make there'; list: number }
  | { do: 'write in list'; list: number }
  | { do: 'remove there' | 'move there'; name: number }
  | { do: 'look' }
  | { do: 'kill' }
  | { do: 'lose store' }
  | { do: 'forget tokens' }
  | { do: 'fail'; faults: (OutsideTrouble | 'lost')[] };

type Change = { words?: string; status?: SharedTask['status']; due?: string | null; priority?: SharedTask['priority']; tag?: string };

const name = fc.nat(NAMES.length - 1);
const list = fc.nat(LISTS.length - 1);
const a = <T extends string>(...words: T[]) => fc.constantFrom(...words);
const change: fc.Arbitrary<Change> = fc.oneof(
  fc.record({ words: a('weigh', 'count', 'call') }),
  fc.record({ status: a('todo', 'done', 'underway', 'cancelled') }),
  fc.record({ due: fc.constantFrom('2026-11-27', '2026-12-02 15:00', null) }),
  fc.record({ priority: fc.constantFrom('high' as const, 'low' as const, null) }),
  fc.record({ tag: a('loans', 'keys') }),
);
const deed: fc.Arbitrary<Deed> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ do: a('join'), name, list }) },
  { weight: 8, arbitrary: fc.record({ do: a('here'), name, change }) },
  { weight: 8, arbitrary: fc.record({ do: a('there'), name, change }) },
  { weight: 4, arbitrary: fc.record({ do: a('list'), name, change }) },
  { weight: 8, arbitrary: fc.record({ do: a('look') }) },
  {
    weight: 1,
    arbitrary: fc.record({ do: a('unjoin', 'lose ref', 'delete here', 'remove there', 'move there'), name }),
  },
  { weight: 1, arbitrary: fc.record({ do: a('to note'), name, note: fc.nat(NOTES.length - 1) }) },
  { weight: 1, arbitrary: fc.record({ do: a('make there', 'write in list'), list }) },
  { weight: 1, arbitrary: fc.record({ do: a('kill', 'lose store', 'forget tokens') }) },
  {
    weight: 3,
    arbitrary: fc.record({
      do: a('fail'),
      faults: fc.array(a('away', 'broken', 'busy', 'refused', 'lost', 'lost'), { minLength: 1, maxLength: 5 }),
    }),
  },
);

export const outsideDeeds = (most: number): fc.Arbitrary<Deed[]> => fc.array(deed, { maxLength: most, size: 'max' });

const MINUTE = 60_000;

/**
 * Notes with joined lines, two lists and a service that fails now and then, changed on all sides: in the end all that is joined says the same on
 * all of its faces, nothing is there twice, and nothing is gone that nobody took away.
 */
export async function runOutside(deeds: readonly Deed[]): Promise<void> {
  const clock = { ms: Date.UTC(2026, 10, 23, 9, 14) };
  const service = new MemoryService(LISTS, () => clock.ms, 3 * MINUTE);
  const text = NAMES.map((one, at) => `- [ ] ${one}: weigh${at % 2 === 0 ? ' {due 2026-11-23; every week}' : ''}\n`).join('');
  const desk = await outsideDesk({ 'A.md': text, 'B.md': '# B\n' }, service, clock);
  const takenThere = new Set<string>();
  const takenHere = new Set<string>();
  let made = 0;
  for (const one of deeds) {
    clock.ms += MINUTE;
    if (one.do === 'look') await desk.pass();
    else if (one.do === 'kill') desk.begin();
    else if (one.do === 'forget tokens') service.forgetTokens();
    else if (one.do === 'fail') service.faults.push(...one.faults);
    else if (one.do === 'lose store') {
      // What waited to be taken away there is not known any more.
      for (const { dropped, last } of await desk.records()) if (dropped) takenHere.delete(nameOf(last?.here.words ?? ''));
      await desk.own.db.outsideTasks.clear();
      await desk.own.db.notes.clear();
      await desk.own.db.outsideLists.toCollection().modify({ token: null });
      const there = new Set(LISTS.flatMap((each) => service.all(each).map(({ face }) => nameOf(face.task.words))));
      // What was written into a list and did not go there yet stood nowhere else.
      for (let at = 0; at < made; at++) if (!there.has(`made${at}`)) takenThere.add(`made${at}`);
      desk.begin();
    } else if (one.do === 'make there') service.make(LISTS[one.list] ?? 'Team', `u${made}`, { ...PLAIN, words: `made${made++}: weigh` });
    else if (one.do === 'write in list')
      await desk.own.actions.writeLines(
        `/outside/${LISTS[one.list]}.md`,
        { heading: null, side: 'last' },
        [`- [ ] made${made++}: weigh`],
        'New',
      );
    else await ofName(desk, service, one, takenThere, takenHere);
  }
  service.faults = [];
  for (let turn = 0; turn < 4; turn++) {
    clock.ms += 10 * MINUTE;
    await desk.pass();
  }
  const requests = service.requests;
  const tasks = service.tasks;
  await desk.pass();
  // Once in step, a look asks each list once what changed, and moves nothing.
  expect([service.requests - requests, service.tasks - tasks]).toEqual([2, 0]);
  await checkInStep(desk, service, takenThere, takenHere, made);
  await desk.end();
}

type Desk = Awaited<ReturnType<typeof outsideDesk>>;

const PLAIN: SharedTask = { words: '', status: 'todo', due: null, plan: null, priority: null, tags: [], every: null };
const nameOf = (words: string): string => /^\w+/.exec(words)?.[0] ?? '';

async function ofName(
  desk: Desk,
  service: MemoryService,
  deed: Extract<Deed, { name: number }>,
  takenThere: Set<string>,
  takenHere: Set<string>,
) {
  const word = NAMES[deed.name] ?? 'one';
  const found = LISTS.flatMap((one) => service.all(one).map((task) => ({ list: one, ...task }))).find(
    ({ face }) => nameOf(face.task.words) === word,
  );
  const line = await desk.lineOf(`${word}:`);
  switch (deed.do) {
    case 'join':
      // What was on another list stays there: it is there twice because somebody wanted it.
      if (line?.task.joined === null && (!found || found.list === LISTS[deed.list]))
        await desk.here(`${word}:`, { do: 'set', clause: `joined ${LISTS[deed.list] ?? 'Team'}` });
      return;
    case 'unjoin':
      await desk.here(`${word}:`, { do: 'unset', clause: 'joined' });
      return;
    case 'lose ref':
      await desk.here(`${word}:`, { do: 'unset', clause: 'ref' });
      return;
    case 'delete here':
      if (line) takenHere.add(word);
      await desk.here(`${word}:`, { do: 'delete' });
      return;
    case 'to note':
      if (line && line.path !== NOTES[deed.note]) await moveTo(desk, line, NOTES[deed.note] ?? 'A.md');
      return;
    case 'here':
      await desk.here(`${word}:`, ...intentions(word, deed.change));
      return;
    case 'list':
      await desk.inList(`${word}:`, ...intentions(word, deed.change));
      return;
    case 'there': {
      if (!found) return;
      const { words, tag, ...rest } = deed.change;
      const { task } = found.face;
      const next: SharedTask = { ...task, ...rest, ...(words !== undefined && { words: `${word}: ${words}` }) };
      const tags = tag === undefined || task.tags.includes(tag) ? task.tags : [...task.tags, tag].sort();
      service.change(found.list, found.id, ['words', 'status', 'due', 'priority', 'tags'], { ...next, tags });
      return;
    }
    case 'remove there':
      if (found) {
        takenThere.add(word);
        service.remove(found.list, found.id);
      }
      return;
    case 'move there':
      if (found) service.move(found.list, found.id, found.list === 'Team' ? 'Tasks' : 'Team');
  }
}

function intentions(word: string, { words, status, due, priority, tag }: Change): Intention[] {
  if (words !== undefined) return [{ do: 'reword', text: `${word}: ${words}` }];
  if (status !== undefined) return [{ do: 'status', status }];
  if (due !== undefined) return [due === null ? { do: 'unset', clause: 'due' } : { do: 'set', clause: `due ${due}` }];
  if (tag !== undefined) return [{ do: 'tag', name: `#${tag}` }];
  return [{ do: 'priority', priority: priority ?? null }];
}

async function moveTo({ main }: Desk, { path, task }: NonNullable<Awaited<ReturnType<Desk['lineOf']>>>, to: string): Promise<void> {
  const before = (await main.store.text(path)) ?? '';
  await main.actions.replace(path, before.replace(`${task.raw}\n`, ''), 'Moved');
  await main.actions.replace(to, `${(await main.store.text(to)) ?? ''}${task.raw}\n`, 'Moved');
}

async function checkInStep(
  desk: Desk,
  service: MemoryService,
  takenThere: Set<string>,
  takenHere: Set<string>,
  made: number,
): Promise<void> {
  const there = LISTS.flatMap((one) => service.all(one));
  const records = await desk.records();
  const asked = new Set(records.filter(({ asks }) => asks !== null).map(({ ref }) => ref));
  // Nothing was made twice.
  const counts = new Map<string, number>();
  for (const { face } of there) counts.set(nameOf(face.task.words), (counts.get(nameOf(face.task.words)) ?? 0) + 1);
  expect([...counts].filter(([, count]) => count > 1)).toEqual([]);
  // Nothing is gone there that nobody took away there.
  for (let at = 0; at < made; at++)
    if (!takenThere.has(`made${at}`)) expect([`made${at}`, counts.has(`made${at}`)]).toEqual([`made${at}`, true]);
  const lines = (await desk.main.store.all()).flatMap(({ path, text }) => readNote(path, text ?? '').tasks);
  const lost = new Set((await desk.lists()).flatMap((one) => one.lost.map(({ raw }) => raw)));
  // Nothing is gone here that nobody took away here, and each joined line says what its task there says.
  for (const word of NAMES) if (!takenHere.has(word)) expect([word, lines.some(({ text }) => nameOf(text) === word)]).toEqual([word, true]);
  for (const line of lines) {
    // A repeat that has no date cannot go on: it stays as it is on both sides, and that is told.
    const isStuck = line.every !== null && line.due === null && line.plan === null;
    if (line.joined === null || lost.has(line.raw) || isStuck) continue;
    const task = there.find(({ face }) => face.ref === line.ref);
    if (asked.has(line.ref ?? '') || takenThere.has(nameOf(line.text))) continue;
    expect([line.raw, task !== undefined]).toEqual([line.raw, true]);
    if (task && !sameTask({ ...sharedOf(line), every: null }, { ...task.face.task, every: null }))
      expect(task.face.task).toEqual(sharedOf(line));
  }
  // The note of a list holds a line for each task on it, and none besides.
  for (const one of LISTS) {
    const held = readNote('', await desk.list(one))
      .tasks.map(({ text }) => nameOf(text))
      .sort();
    const names = service.all(one).map(({ face }) => nameOf(face.task.words));
    const waiting = records.filter((record) => record.list === one && record.isGone).map(({ here }) => nameOf(here?.words ?? ''));
    expect(held.filter((word) => !waiting.includes(word))).toEqual(names.filter((word) => !waiting.includes(word)).sort());
  }
}
