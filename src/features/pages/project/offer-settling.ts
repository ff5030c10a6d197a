import { readFrontMatter } from '../../../core/note/facts/front-matter';
import { splitLines } from '../../../core/note/blocks/lines';
import { baseNameOf } from '../../../core/note/names/path';
import { soleLink } from '../../../core/note/names/sole-link';
import { refuse, say } from '../../session/telling/messages';
import type { Services } from '../../session/state/services';

/**
 * Offers to settle a project when a task was finished whose words are one link to it.
 *
 * @param text the words of the task
 * @param from the note it stands in
 * @param told says what was done, with the step that its Undo takes back
 */
export async function offerSettling(
  { engine, store, actions }: Pick<Services, 'engine' | 'store' | 'actions'>,
  text: string,
  from: string,
  told: (words: string, step: number | null) => void,
): Promise<void> {
  const target = soleLink(text);
  const path = target === null ? null : await engine.ask('resolve', { target, from });
  const stored = path === null ? null : await store.text(path);
  if (path === null || stored === null) return;
  const front = readFrontMatter(splitLines(stored));
  const state = front.fields['state'];
  if (front.kind !== 'project' || state === 'done' || state === 'cancelled') return;
  const title = front.title ?? baseNameOf(path);
  const settle = async (): Promise<void> => {
    const result = await actions.settleProject(path, 'done', [], `Done: ${title}`);
    if ('refused' in result) refuse(result.refused);
    else told(`Done: ${title}`, result.step);
  };
  say(`The project “${title}” is not settled yet.`, { action: { words: 'Settle it', act: () => void settle() }, lasts: 10_000 });
}
