import * as Y from 'yjs';
import { LENT_ABOUT, LENT_TICK, type LentTick } from '../../core/sharing/lend/lent-messages';
import { type LentListLine, lentList } from '../../core/sharing/lend/lent-list';
import { type ListedGather, pathsOfLists, withoutSealed } from '../../core/formats/listed';
import type { LineRef } from '../../core/task/writing/edit';
import { foldPath } from '../../core/note/names/path';
import type { NoteStore } from '../notes/note-store';
import type { LentBranch, LentList } from './lent-branch';
import { namedRows } from './named-rows';
import { OWNER } from './part-in-step';
import { writeInto } from './write-into';

/** A tick that a borrower set or took off, on its line. */
export interface ListTick {
  ref: LineRef;
  status: LentTick['status'];
  who: string;
  at: number;
}

interface ListHost {
  store: NoteStore;
  /** What the gather holds now. */
  answer: (list: LentList) => Promise<readonly ListedGather[]>;
  /** Puts ticks onto their lines, as one step; gives its number, null for none. Those whose line is gone are left out. */
  act: (ticks: readonly ListTick[]) => Promise<number | null>;
  makeId: () => string;
}

/** Brings what a gather holds to those it is lent to, and their ticks onto the lines. Only its owner writes the text. */
export class ListInStep {
  constructor(
    private readonly host: ListHost,
    public branch: LentBranch & { what: LentList },
    readonly shared: Y.Doc,
  ) {
    Y.applyUpdate(shared, branch.state, OWNER);
  }

  async look(): Promise<{ step: number | null }> {
    const step = await this.takeTicks();
    const lines = await this.lines();
    const rows = namedRows(
      lines.map(({ row }) => row),
      this.branch.rows,
      this.host.makeId,
    );
    const text = this.shared.getText('text');
    const words = lines.map((line) => line.words).join('\n');
    const about = this.shared.getMap('about');
    const ids = rows.map((row) => row?.id ?? null);
    const known = LENT_ABOUT.safeParse(about.toJSON());
    const isSame = text.toString() === words && known.success && JSON.stringify(known.data.rows) === JSON.stringify(ids);
    // The rows are known here before anybody can tick them.
    await this.keep({ rows: rows.filter((row) => row !== null) });
    if (!isSame)
      this.shared.transact(() => {
        writeInto(text, words, OWNER);
        about.set('rows', ids);
      }, OWNER);
    await this.keep({ state: Y.encodeStateAsUpdate(this.shared) });
    return { step };
  }

  private async takeTicks(): Promise<number | null> {
    const ticks = this.shared.getMap('ticks');
    const all = [...ticks.entries()];
    const found = all.flatMap(([id, given]): ListTick[] => {
      const tick = LENT_TICK.safeParse(given);
      const row = this.branch.rows.find((one) => one.id === id);
      if (!tick.success || !row || this.branch.rights !== 'tick') return [];
      const { path, line, raw } = row;
      return [{ ref: { path, line, expected: raw }, ...tick.data }];
    });
    const step = found.length === 0 ? null : await this.host.act(found);
    // Once they stand on their lines, but for those that came meanwhile; one that finds no line is none.
    const past = all.filter(([id, given]) => JSON.stringify(ticks.get(id)) === JSON.stringify(given));
    if (past.length > 0) this.shared.transact(() => past.forEach(([id]) => ticks.delete(id)), OWNER);
    return step;
  }

  private async lines(): Promise<LentListLine[]> {
    const lists = withoutSealed(await this.host.answer(this.branch.what));
    const paths = pathsOfLists(lists);
    const notes = await this.host.store.many(paths);
    const texts = new Map(paths.map((path, index) => [foldPath(path), notes[index]?.text ?? null]));
    return lentList(lists, (path) => texts.get(foldPath(path)) ?? null);
  }

  private async keep(change: Partial<LentBranch>): Promise<void> {
    if ((Object.keys(change) as (keyof LentBranch)[]).every((key) => JSON.stringify(change[key]) === JSON.stringify(this.branch[key])))
      return;
    this.branch = { ...this.branch, ...change, what: this.branch.what };
    await this.host.store.db.lent.update(this.branch.name, change);
  }
}
