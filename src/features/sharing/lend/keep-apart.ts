import * as Y from 'yjs';
import { partAt } from '../../../core/sharing/lend/lent-part';
import { askForLent } from '../../../store/lending/seen-lent';
import type { Services } from '../../session/state/services';

/**
 * What is lent becomes a note of its own, where its lines are gone: what was agreed on last, and from then on the whole note.
 *
 * @returns its path; null where it could not be made
 */
export async function keepApart({ store, actions }: Pick<Services, 'store' | 'actions'>, name: string): Promise<string | null> {
  const branch = await store.db.lent.get(name);
  if (branch?.what.is !== 'part') return null;
  const doc = new Y.Doc();
  Y.applyUpdate(doc, branch.state);
  const made = await actions.create('', branch.title, doc.getText('text').toString());
  if ('refused' in made) return null;
  const note = await store.get(made.path);
  const part = partAt(note?.text ?? '', 0, 'note');
  if (!note || !part) return null;
  await store.db.lent.update(name, {
    what: { is: 'part', note: note.id, path: note.path, part, ref: null },
    text: note.text ?? '',
    trouble: null,
    gone: [],
  });
  await askForLent(store);
  return made.path;
}
