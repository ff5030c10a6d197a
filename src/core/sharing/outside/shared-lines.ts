import { draftLine } from '../../formats/draft';
import { withoutSigns } from '../../formats/out/plain-words';
import { foldName } from '../../note/names/names';
import type { Intention } from '../../task/acts/intention';
import { signOf } from '../../task/line/status';
import { RULE, type SharedField, type SharedTask } from './shared-task';

/** Words with tags behind them, as a line has them; a tag that the words name already is not said twice. */
function taggedWords(words: string, tags: readonly string[]): string {
  const named = new Set([...words.matchAll(/#([\p{L}\p{M}\p{N}_/-]+)/gu)].map(([, name = '']) => foldName(name)));
  return [words, ...tags.filter((tag) => !named.has(foldName(tag))).map((tag) => `#${tag}`)].join(' ');
}

/**
 * The line of a task, behind its list marker.
 *
 * @param clauses what it says besides, as its `ref`
 * @example sharedLine(task, [{ word: 'ref', value: 'k3f9qa' }]) // '[ ] Weigh the crate #loans {due 2026-11-27; ref k3f9qa}'
 */
export function sharedLine(task: SharedTask, clauses: readonly { word: string; value: string }[]): string {
  const { due, plan, priority, every } = task;
  const said: { word: string; value: string }[] = [];
  if (due !== null) said.push({ word: 'due', value: due });
  if (plan !== null) said.push({ word: 'plan', value: plan });
  if (priority !== null) said.push({ word: priority, value: '' });
  if (every !== null && !every.startsWith(RULE)) said.push({ word: 'every', value: every });
  const words = taggedWords(task.words.trim() || NO_WORDS, task.tags);
  return draftLine({ sign: signOf(task.status), words, clauses: [...said, ...clauses] });
}

/** Words that came as others write them, with the links of the line back where their words still stand. */
function withLinksBack(words: string, before: string): string {
  let next = words;
  for (const [link] of before.matchAll(/\[\[[^\][]*\]\]|\[[^\][]*\]\(recado:[a-z0-9]{6}\)/g)) {
    const plain = withoutSigns(link);
    const at = next.indexOf(plain);
    if (plain !== '' && at >= 0 && !next.includes(link)) next = next.slice(0, at) + link + next.slice(at + plain.length);
  }
  return next;
}

/** What a task is called that says nothing. */
const NO_WORDS = 'Without words';

/**
 * What is done to a line so that it says what another face of its task says.
 *
 * @param fields in the order in which they are done
 */
export function intentionsFor(present: SharedTask, wanted: SharedTask, fields: readonly SharedField[]): Intention[] {
  return fields.flatMap((field): Intention[] => {
    switch (field) {
      case 'words': {
        const text = taggedWords(withLinksBack(wanted.words.trim(), present.words), present.tags);
        return wanted.words.trim() === '' ? [] : [{ do: 'reword', text }];
      }
      case 'tags': {
        const [had, has] = [new Set(present.tags.map(foldName)), new Set(wanted.tags.map(foldName))];
        return [
          ...present.tags.filter((tag) => !has.has(foldName(tag))).map((tag): Intention => ({ do: 'untag', name: `#${tag}` })),
          ...wanted.tags.filter((tag) => !had.has(foldName(tag))).map((tag): Intention => ({ do: 'tag', name: `#${tag}` })),
        ];
      }
      case 'due':
      case 'plan': {
        const value = wanted[field];
        return [value === null ? { do: 'unset', clause: field } : { do: 'set', clause: `${field} ${value}` }];
      }
      case 'priority':
        return [{ do: 'priority', priority: wanted.priority }];
      case 'every':
        if (wanted.every?.startsWith(RULE)) return [];
        return [wanted.every === null ? { do: 'unset', clause: 'every' } : { do: 'set', clause: `every ${wanted.every}` }];
      case 'status':
        return [{ do: 'status', status: wanted.status, steps: 'leave' }];
    }
  });
}
