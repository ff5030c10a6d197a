import { type FrontMatter, fieldWords } from '../../note/facts/front-matter';
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

/** The fields of a status note, in the order in which they are written. */
const FIELDS = ['sign', 'name', 'means', 'colour', 'icon'] as const;

/**
 * The text of a note that adds a status. Of a note that is there, its other fields and what stands below them stay.
 *
 * @param text what the note says now; empty for a new one
 * @example withStatus('', { sign: '>', name: 'On the lorry', means: 'underway', colour: 'teal', icon: null })
 */
export function withStatus(text: string, status: AddedStatus): string {
  const front = /^---[ \t]*\r?\n([^]*?)^(?:---|\.\.\.)[ \t]*(?:\r?\n|$)/m.exec(text);
  const lines = (front?.[1] ?? 'kind: status\n').split(/\r?\n/).filter((line) => line !== '');
  for (const field of FIELDS) {
    const words = status[field];
    const written = words === null ? [] : [`${field}: ${field === 'means' ? words : `"${words.replace(/["\\]/g, '\\$&')}"`}`];
    const at = lines.findIndex((line) => line.startsWith(`${field}:`));
    if (at === -1) lines.push(...written);
    else lines.splice(at, 1, ...written);
  }
  return `---\n${lines.join('\n')}\n---\n${text.slice(front?.[0].length ?? 0)}`;
}
