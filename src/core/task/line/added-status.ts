import { type FrontMatter, fieldWords } from '../../note/facts/front-matter';
import { type AddedStatus, type AddedStatuses, STATUSES, STATUS_NAMES, mayAddSign } from './status';

/**
 * The status that a note of kind status adds by the fields `sign`, `name`, `means`, `colour` and `icon` of its front
 * matter; null when the note adds none, because it is of another kind or its sign cannot be used.
 */
export function addedStatusOf(front: FrontMatter, title: string): AddedStatus | null {
  if (front.kind !== 'status') return null;
  const { fields } = front;
  const sign = fieldWords(fields['sign']) ?? '';
  const word = (fieldWords(fields['means']) ?? 'todo').toLowerCase().replace(/\s/g, '');
  const means = STATUSES.find((status) => status === word || STATUS_NAMES[status].toLowerCase().replace(/\s/g, '') === word);
  if (!mayAddSign(sign) || !means) return null;
  return { sign, name: fieldWords(fields['name']) ?? title, means, colour: fieldWords(fields['colour']), icon: fieldWords(fields['icon']) };
}

/** Added statuses by sign; of two notes that add one sign, the first counts. */
export function statusTable(added: Iterable<AddedStatus>): AddedStatuses {
  const table = new Map<string, AddedStatus>();
  for (const status of added) if (!table.has(status.sign)) table.set(status.sign, status);
  return table;
}
