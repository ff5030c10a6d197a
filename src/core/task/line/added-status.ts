import { type FrontMatter, fieldWords } from '../../note/facts/front-matter';
import { quotedYaml, withFields } from '../../note/facts/with-fields';
import { foldPath } from '../../note/names/path';
import { type AddedStatus, type AddedStatuses, type Status, STATUSES, STATUS_NAMES, mayAddSign } from './status';

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

/** The added status of a name, compared as names of notes are; undefined when there is none. */
export function statusNamed(name: string, added: AddedStatuses | undefined): AddedStatus | undefined {
  const wanted = foldPath(name.trim());
  return [...(added?.values() ?? [])].find((status) => foldPath(status.name) === wanted);
}

/** What a status is called whose sign stands in a box: the name that a note adds, else that of the status. */
export function statusName(status: Status, sign: string | undefined, added: AddedStatuses | undefined): string {
  return (sign === undefined ? undefined : added?.get(sign)?.name) ?? STATUS_NAMES[status];
}

/** Added statuses by sign; of two notes that add one sign, the first counts. */
export function statusTable(added: Iterable<AddedStatus>): AddedStatuses {
  const table = new Map<string, AddedStatus>();
  for (const status of added) if (!table.has(status.sign)) table.set(status.sign, status);
  return table;
}

/**
 * The text of a note that adds a status. Of a note that is there, its other fields and what stands below them stay.
 *
 * @param text what the note says now; empty for a new one
 * @example withStatus('', { sign: '>', name: 'On the lorry', means: 'underway', colour: 'teal', icon: null })
 */
export function withStatus(text: string, { sign, name, means, colour, icon }: AddedStatus): string {
  const quoted = (words: string | null): string | null => (words === null ? null : quotedYaml(words));
  const fields = { sign: quoted(sign), name: quoted(name), means, colour: quoted(colour), icon: quoted(icon) };
  return withFields(text === '' ? '---\nkind: status\n---\n' : text, fields);
}
