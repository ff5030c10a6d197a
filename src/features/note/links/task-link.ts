import { refOf } from '../../../core/task/line/ref';
import type { LineRef } from '../../../core/task/writing/edit';
import { refuse } from '../../session/telling/messages';
import { itemAddress } from '../../session/places/addresses';
import type { Services } from '../../session/state/services';

/**
 * A link to a task, for a text or for elsewhere. It is found by its ref, which it gets when it has none; null when it cannot get one,
 * which the person is told.
 *
 * @example await taskLink(actions, ref, 'Weigh the crate', 'text') // '[Weigh the crate](recado:k3f9qa)'
 */
export async function taskLink(
  actions: Services['actions'],
  line: LineRef,
  words: string,
  form: 'text' | 'address',
): Promise<string | null> {
  let ref = refOf(line.expected);
  if (ref === null) {
    const made = await actions.act(line, { do: 'ref' }, 'Marked for a link');
    if ('refused' in made) {
      refuse(made.refused);
      return null;
    }
    ref = refOf(made.raw);
  }
  if (ref === null) return null;
  return form === 'address' ? `${location.origin}${itemAddress(ref)}` : `[${words.replace(/[[\]]/g, '').trim() || 'task'}](recado:${ref})`;
}
