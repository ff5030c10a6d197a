import { clauseWords } from '../../../core/formats/out/clause-words';
import { foldPath } from '../../../core/note/names/path';
import { sharedLine } from '../../../core/sharing/outside/shared-lines';
import { asOthersRead } from '../../../core/sharing/outside/shared-task';
import type { Intention } from '../../../core/task/acts/intention';
import { refOf } from '../../../core/task/line/ref';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import { READING_DEFAULTS } from '../../../core/task/line/task';
import { type FaceLine, faceLines } from '../../../store/outside/face-lines';
import type { PutTask } from '../../../store/outside/outside-desk';
import { moreFor } from '../../../store/outside/face-more';
import type { ManyResult } from '../../../store/acting/note-actions';
import { copyText } from '../../session/acting/copy-text';
import { refuse, say } from '../../session/telling/messages';
import type { DialogTask } from '../../session/acting/task-dialog';
import { counted } from '../../session/acting/use-act';
import { isSealedPath } from '../../../core/note/names/path';
import { shorten } from '../../session/acting/shorten';
import type { Services } from '../../session/state/services';

type Given = Pick<Services, 'store' | 'actions' | 'outside'>;

/** What is called so for a list that no program speaks to. */
const ELSEWHERE = 'elsewhere';

const named = (tasks: readonly DialogTask[]): string =>
  tasks.length === 1 ? `“${shorten(tasks[0]?.text ?? '')}”` : counted(tasks.length, 'task');

/** Marks tasks with something, each with a ref, as one step; null where nothing was changed, which the person is told. */
async function marked(
  { actions }: Given,
  tasks: readonly DialogTask[],
  intentions: readonly Intention[],
  label: string,
): Promise<ManyResult | null> {
  if (intentions.some((one) => one.do !== 'unset') && tasks.some(({ ref }) => isSealedPath(ref.path))) {
    refuse('Some of these stand in sealed notes, so nothing was sent where others read it.');
    return null;
  }
  const result = await actions.actMany(
    tasks.map(({ ref }) => ({ ref, intentions })),
    label,
  );
  if ('refused' in result) {
    refuse(result.refused);
    return null;
  }
  const [stayed] = result.stayed;
  if (stayed) refuse(`${counted(result.stayed.length, 'line')} stayed as before: ${stayed.reason}`);
  return result.changed === 0 ? null : result;
}

/** The tasks as they stand now, with what stands under them. */
async function facesOf({ store }: Given, raws: readonly (string | null)[], tasks: readonly DialogTask[]): Promise<FaceLine[]> {
  const refs = new Set(raws.flatMap((raw) => (raw === null ? [] : (refOf(raw) ?? []))));
  const paths = [...new Map(tasks.map(({ ref }) => [foldPath(ref.path), ref.path])).values()];
  const notes = (await store.many(paths)).flatMap((note) => note ?? []);
  return notes.flatMap((note) => faceLines(note, (task) => task.ref !== null && refs.has(task.ref), READING_DEFAULTS));
}

/**
 * Joins tasks with a list: from the next look on each is one task on two faces.
 *
 * @param more what is done to each besides, as a due day
 */
export async function joinTasks(
  given: Given,
  tasks: readonly DialogTask[],
  list: string,
  more: readonly Intention[],
  told: Told,
): Promise<void> {
  const words = `Joined with ${list}: ${named(tasks)}`;
  const result = await marked(given, tasks, [...more, { do: 'ref' }, { do: 'set', clause: `joined ${list}` }], words);
  if (result) told(words, result.step);
}

type Told = (words: string, step: number | null) => void;

/** Puts tasks onto a list once, each with its detail and the way back, and marks them as sent. Undo takes both back. */
export async function sendOn(
  given: Given,
  tasks: readonly DialogTask[],
  list: string,
  more: readonly Intention[],
  told: Told,
): Promise<void> {
  const words = `Sent on to ${list}: ${named(tasks)}`;
  const result = await marked(given, tasks, [...more, { do: 'ref' }, { do: 'set', clause: `sent ${list}` }], words);
  if (!result) return;
  const desk = await given.outside.open();
  const puts = (await facesOf(given, result.raws, tasks)).flatMap(putOf);
  await desk.put(list, puts, null);
  const { step } = result;
  if (step !== null) given.store.steps.whenTakenBack(step, () => void desk.takeOff(list, new Set(puts.map(({ ref }) => ref))));
  told(words, step);
}

/** A line as it is put onto a list. */
function putOf({ ref, path, detail, shared }: FaceLine): PutTask[] {
  if (ref === null) return [];
  const line = `- ${sharedLine(asOthersRead(shared), [{ word: 'ref', value: ref }])}`;
  return [{ ref, line, more: moreFor(location.origin, path, detail, ref) }];
}

/** The list onto which a line says it was sent; null for none. */
export const sentTo = (raw: string): string | null => clauseOf(readTail(raw, 0), 'sent')?.value ?? null;

/** The list with which a line says it is joined; null for none. */
export const joinedWith = (raw: string): string | null => clauseOf(readTail(raw, 0), 'joined')?.value ?? null;

/** Takes tasks that were sent on back: off the list there, and without the mark here. Undo sends them on again. */
export async function takeSentBack(given: Given, tasks: readonly DialogTask[], told: Told): Promise<void> {
  const sent = tasks.filter(({ ref }) => sentTo(ref.expected) !== null);
  if (sent.length === 0) return void say('None of these was sent on.');
  const faces = await facesOf(
    given,
    sent.map(({ ref }) => ref.expected),
    sent,
  );
  const words = `Taken back: ${named(sent)}`;
  const result = await marked(given, sent, [{ do: 'unset', clause: 'sent' }], words);
  if (!result) return;
  const lists = new Set(faces.map(({ raw }) => sentTo(raw) ?? ELSEWHERE));
  lists.delete(ELSEWHERE);
  const desk = lists.size === 0 ? null : await given.outside.open();
  const putsOf = (list: string): PutTask[] => faces.filter(({ raw }) => sentTo(raw) === list).flatMap(putOf);
  for (const list of lists) await desk?.takeOff(list, new Set(putsOf(list).map(({ ref }) => ref)));
  if (result.step !== null && desk)
    given.store.steps.whenTakenBack(result.step, () => void [...lists].map((list) => desk.put(list, putsOf(list), null)));
  told(words, result.step);
}

/** Copies tasks for a list that no program speaks to, with words, day and both addresses, and marks them as sent. */
export async function copyOut(given: Given, tasks: readonly DialogTask[], told: Told): Promise<void> {
  const words = `Copied and marked as sent: ${named(tasks)}`;
  const result = await marked(given, tasks, [{ do: 'ref' }, { do: 'set', clause: `sent ${ELSEWHERE}` }], words);
  if (!result) return;
  const faces = await facesOf(given, result.raws, tasks);
  const texts = faces.map(({ raw, path, ref, shared }) => {
    const clauses = (readTail(raw, 0)?.clauses ?? []).filter(({ name }) => name === 'due' || name === 'plan');
    const day = clauseWords(clauses);
    return [asOthersRead(shared).words + (day === '' ? '' : `, ${day}`), `${location.origin}/item/${ref}`, path].join('\n');
  });
  await copyText(texts.join('\n\n'));
  told(words, result.step);
}
