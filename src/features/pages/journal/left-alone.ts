import type { CarryAnswer } from '../../../core/index/questions/past/carry';
import { isSealedPath } from '../../../core/note/names/path';
import type { NoteStore } from '../../../store/notes/note-store';
import type { Services } from '../../session/state/services';

/** The name of the value under which the store keeps what was left alone. */
export const LEFT_ALONE = 'left alone';
/** The oldest are let go of beyond so many. */
const MOST = 2000;

const readLeftAlone = (value: unknown): string[] => (Array.isArray(value) ? value.filter((one) => typeof one === 'string') : []);

/** What earlier days left open, without what was left alone; all of it, or the first few. */
export async function askLeftOpen({ store, engine }: Pick<Services, 'store' | 'engine'>, most?: number): Promise<CarryAnswer> {
  return engine.ask('carry', { leftAlone: readLeftAlone(await store.value(LEFT_ALONE)), ...(most !== undefined && { most }) });
}

/** Remembers tasks (by their `leftAloneSign`) that are not to be offered again. */
export async function leaveAlone(store: NoteStore, signs: readonly string[]): Promise<void> {
  // What a sealed note says is kept nowhere else: it is offered again.
  const told = signs.filter((sign) => !isSealedPath(sign.slice(0, sign.indexOf('\n'))));
  if (told.length === 0) return;
  await store.changeValue(LEFT_ALONE, (present) => [...new Set([...readLeftAlone(present), ...told])].slice(-MOST));
}

/** Takes back that tasks were left alone. */
export async function offerAgain(store: NoteStore, signs: readonly string[]): Promise<void> {
  const back = new Set(signs);
  await store.changeValue(LEFT_ALONE, (present) => readLeftAlone(present).filter((sign) => !back.has(sign)));
}
