import fc from 'fast-check';
import { itemWithRef } from '../../core/sharing/lend/follow-part';
import { lentText } from '../../core/sharing/lend/lent-lines';
import { partAt } from '../../core/sharing/lend/lent-part';
import { tabs } from '../test-desk';
import type { NoteStore } from '../notes/note-store';
import { TYPING } from '../notes/origin';
import { Borrower, MemoryLending, keeperOf, lendPart } from './test-lending';

/** What somebody does: numbers choose among what is there then. */
export type LendingDeed =
  | { by: 'owner'; do: 'word' | 'line' | 'delete' | 'tick' | 'outside' | 'fence'; at: number; tab: number }
  | { by: 'owner'; do: 'move' | 'away' | 'back' | 'other tab' | 'settle' }
  | {
      by: 'borrower';
      who: number;
      do: 'word' | 'line' | 'delete' | 'tick' | 'in' | 'out' | 'beside' | 'claim' | 'come' | 'go';
      at: number;
    };

export const lendingDeeds = (most: number): fc.Arbitrary<LendingDeed[]> =>
  fc.array(
    fc.oneof(
      {
        weight: 4,
        arbitrary: fc.record({
          by: fc.constant('owner' as const),
          do: fc.constantFrom('word', 'line', 'delete', 'tick', 'outside', 'fence'),
          at: fc.nat(20),
          tab: fc.nat(1),
        }),
      },
      {
        weight: 2,
        arbitrary: fc.record({ by: fc.constant('owner' as const), do: fc.constantFrom('move', 'away', 'back', 'other tab', 'settle') }),
      },
      {
        weight: 7,
        arbitrary: fc.record({
          by: fc.constant('borrower' as const),
          who: fc.nat(2),
          do: fc.constantFrom('word', 'line', 'delete', 'tick', 'in', 'out', 'beside', 'claim', 'come', 'go'),
          at: fc.nat(20),
        }),
      },
    ),
    { minLength: 4, maxLength: most },
  );

const ABOVE = '# Loans\nAbove.\n- [ ] Papers {ref p4p3rs}\n';
const BRANCH = '- [ ] Lens {ref l3ns00}\n  - [ ] Pack it {needs p4p3rs; ref p4ck17}\n  - [ ] Insure it\n';
const BELOW = '- [ ] After\n\n# Secret\nBelow.\n';
const PATHS = ['Loans.md', 'Other.md'] as const;

/** Does some deeds and asks afterwards whether both sides are equal, no word was lost, and nothing outside of the branch was touched. */
export async function runLending(deeds: readonly LendingDeed[]): Promise<void> {
  const [first, second] = await tabs({ [PATHS[0]]: ABOVE + BRANCH + BELOW, [PATHS[1]]: 'Other.\n\nEnd.\n' }, 'one', 'two');
  if (!first || !second) throw new Error('no tabs');
  const lending = new MemoryLending();
  await lendPart(first.store, 'lens', PATHS[0], 3, 'item', 'l3ns00');
  const people = ['Lars', 'Noor', 'Kofi'].map((who) => new Borrower(lending, 'lens', who).come());
  const outside = new Outside();
  /** Words that must be there, and those in lines that somebody deleted. */
  const words = new Set<string>();
  const mayGo = new Set<string>();
  let count = 0;
  let kept = keeperOf(first.store, lending);
  let isAway = false;
  await kept.keeper.look();
  await kept.settle();

  const owner = async (deed: Extract<LendingDeed, { by: 'owner' }>): Promise<void> => {
    switch (deed.do) {
      case 'settle':
        return kept.settle();
      case 'away':
        isAway = true;
        return kept.away();
      case 'back':
        isAway = false;
        return kept.back();
      case 'other tab':
        kept.end();
        kept = keeperOf(count++ % 2 === 0 ? second.store : first.store, lending);
        isAway = false;
        return kept.keeper.look();
      case 'move':
        return moveBranch(first.store, outside);
      default: {
        const { store } = deed.tab === 0 ? first : second;
        const word = `o${count++}x`;
        await changed(store, (text, part) => {
          const lines = text.split('\n');
          const at = part.first + (deed.at % (part.last - part.first + 1));
          let then: () => void = () => void (deed.do === 'word' || deed.do === 'line' ? words.add(word) : undefined);
          if (deed.do === 'outside') {
            lines[part.first - 1] = `${lines[part.first - 1] ?? ''} ${word}`;
            then = () => outside.wrote(part.path, word);
          } else if (deed.do === 'fence') {
            lines.splice(part.last + 1, 0, '```');
            then = () => outside.fenced(part.path);
          } else if (deed.do === 'word') lines[at] = withWord(lines[at] ?? '', word);
          else if (deed.do === 'line') lines.splice(part.last + 1, 0, `  - [ ] ${word}`);
          else if (deed.do === 'tick') lines[at] = (lines[at] ?? '').replace('[ ]', '[x]');
          else if (at > part.first) {
            const gone = wordsIn(lines.splice(at, 1)[0] ?? '');
            then = () => gone.forEach((one) => mayGo.add(one));
          }
          return { text: lines.join('\n'), then };
        });
      }
    }
  };
  const borrower = ({ who, do: what, at }: Extract<LendingDeed, { by: 'borrower' }>): void => {
    const person = people[who];
    if (!person) return;
    if (what === 'come') person.come();
    else if (what === 'go') person.go();
    else if (person.text !== '')
      person.write((text) => {
        const lines = text.split('\n');
        const line = at % lines.length;
        const word = `b${count++}x`;
        if (what === 'word') lines[line] = withWord(lines[line] ?? '', word);
        else if (what === 'line') lines.splice(line + 1, 0, `  - [ ] ${word}`);
        else if (what === 'beside') lines.push(`- [ ] ${word}`);
        else if (what === 'claim') lines.push(`  - [ ] ${word} {ref p4p3rs}`);
        else if (what === 'tick') lines[line] = (lines[line] ?? '').replace('[ ]', '[x]');
        else if (what === 'in') lines[line] = `  ${lines[line] ?? ''}`;
        else if (what === 'out') lines[line] = (lines[line] ?? '').replace(/^ {2}/, '');
        else if (line > 0) for (const gone of wordsIn(lines.splice(line, 1)[0] ?? '')) mayGo.add(gone);
        if (['word', 'line', 'beside', 'claim'].includes(what)) words.add(word);
        return lines.join('\n');
      });
  };

  const seen: string[] = [];
  for (const { doc } of people) doc.on('update', () => seen.push(doc.getText('text').toString()));
  for (const deed of deeds) {
    if (deed.by === 'owner') await owner(deed);
    else borrower(deed);
  }
  if (isAway) kept.back();
  for (const person of people) person.come();
  for (let round = 0; round < 4; round++) await kept.settle();

  const branch = await first.store.db.lent.get('lens');
  const problems = kept.problems.map(String);
  if (problems.length > 0) throw new Error(problems.join('\n'));
  if (branch?.what.is !== 'part' || branch.trouble !== null) throw new Error(`trouble: ${String(branch?.trouble)}`);
  const note = (await first.store.text(branch.what.path)) ?? '';
  const lent = lentText(note, branch.what.part);
  const texts = people.map(({ text }) => text.trimEnd());
  if (texts.some((text) => text !== lent.trimEnd())) throw new Error(`not equal:\n${[lent, ...texts].join('\n---\n')}`);
  const lost = [...words].filter((word) => !mayGo.has(word) && !lent.includes(word));
  if (lost.length > 0) throw new Error(`lost ${lost.join(', ')} of\n${lent}\n--- in\n${note}`);
  for (const path of PATHS) {
    const text = (await first.store.text(path)) ?? '';
    const lines = text.split('\n');
    if (path === branch.what.path) lines.splice(branch.what.part.first, branch.what.part.last - branch.what.part.first + 1);
    const rest = lines.join('\n');
    if (rest !== outside.textOf(path)) throw new Error(`outside of the branch in ${path}:\n${rest}\n--- is not\n${outside.textOf(path)}`);
  }
  if ((note.match(/ref l3ns00/g) ?? []).length !== 1 || (note.match(/ref p4ck17/g) ?? []).length > 1) throw new Error(`refs:\n${note}`);
  const leak = seen.find((text) => /Secret|Below|Above|p4p3rs\b(?!\})|l3ns00|After/.test(text.replaceAll('{ref p4p3rs}', '')));
  if (leak !== undefined) throw new Error(`seen by a borrower:\n${leak}`);
  // Called back, all of it stays here, and nothing there.
  await first.store.db.lent.update('lens', { ended: true });
  await kept.keeper.look();
  const left = [await first.store.db.lent.count(), await first.store.text(branch.what.path), lending.docs.size];
  if (JSON.stringify(left) !== JSON.stringify([0, note, 0])) throw new Error(`called back: ${JSON.stringify(left)}`);
  kept.end();

  /** Changes the note that holds the branch, as it stands there. */
  async function changed(store: NoteStore, change: (text: string, part: Place) => { text: string; then: () => void }): Promise<void> {
    for (;;) {
      const texts = await Promise.all(PATHS.map(async (path) => (await store.text(path)) ?? ''));
      const at = PATHS.findIndex((path, index) => placeOf(path, texts[index] ?? '') !== null);
      const [path, text] = [PATHS[at], texts[at] ?? ''];
      const part = path === undefined ? null : placeOf(path, text);
      if (!part) return;
      const next = change(text, part);
      if (!(await store.commit(TYPING, [{ path: part.path, expect: { text }, content: { text: next.text } }])).saved) continue;
      return next.then();
    }
  }
}

interface Place {
  path: string;
  first: number;
  last: number;
}

function placeOf(path: string, text: string): Place | null {
  const first = itemWithRef(text, 'l3ns00');
  const part = first === null ? null : partAt(text, first, 'item');
  return part && { path, first: part.first, last: part.last };
}

/** What stands outside of the branch in each note, as its owner left it. */
class Outside {
  private readonly texts = new Map<string, string[]>([
    [PATHS[0], (ABOVE + BELOW).split('\n')],
    [PATHS[1], 'Other.\n\nEnd.\n'.split('\n')],
  ]);
  /** How many lines stand above the branch, where it is. */
  private readonly above = new Map<string, number>([
    [PATHS[0], 3],
    [PATHS[1], 2],
  ]);

  wrote(path: string, word: string): void {
    const lines = this.texts.get(path) ?? [];
    const at = (this.above.get(path) ?? 1) - 1;
    lines[at] = `${lines[at] ?? ''} ${word}`;
  }

  fenced(path: string): void {
    this.texts.get(path)?.splice(this.above.get(path) ?? 0, 0, '```');
  }

  aboveIn(path: string): number {
    return this.above.get(path) ?? 0;
  }

  textOf(path: string): string {
    return (this.texts.get(path) ?? []).join('\n');
  }
}

/** The branch goes to the other note, at the place it has there. */
async function moveBranch(store: NoteStore, outside: Outside): Promise<void> {
  const texts = await Promise.all(PATHS.map(async (path) => (await store.text(path)) ?? ''));
  const from = PATHS.findIndex((path, at) => placeOf(path, texts[at] ?? '') !== null);
  const to = 1 - from;
  const [source, target] = [PATHS[from], PATHS[to]];
  const place = source && placeOf(source, texts[from] ?? '');
  if (!source || !target || !place) return;
  const [left, came] = [(texts[from] ?? '').split('\n'), (texts[to] ?? '').split('\n')];
  const lines = left.splice(place.first, place.last - place.first + 1);
  came.splice(outside.aboveIn(target), 0, ...lines);
  const saved = await store.commit(TYPING, [
    { path: source, expect: { text: texts[from] ?? '' }, content: { text: left.join('\n') } },
    { path: target, expect: { text: texts[to] ?? '' }, content: { text: came.join('\n') } },
  ]);
  if (!saved.saved) await moveBranch(store, outside);
}

const wordsIn = (line: string): string[] => line.match(/\b[ob]\d+x\b/g) ?? [];

/** A word behind those of a line, before its tail. */
function withWord(line: string, word: string): string {
  const tail = /\s*\{[^{}]*\}\s*$/.exec(line)?.[0] ?? '';
  return `${line.slice(0, line.length - tail.length)} ${word}${tail}`;
}
