import * as Y from 'yjs';
import { followedPart, itemSaying, itemWithRef } from '../../core/sharing/lend/follow-part';
import { lentText } from '../../core/sharing/lend/lent-lines';
import { type LentPart, partAt } from '../../core/sharing/lend/lent-part';
import { putIn } from '../../core/sharing/lend/put-in';
import type { StoredNote } from '../notes/content';
import type { NoteStore } from '../notes/note-store';
import type { Origin } from '../notes/origin';
import type { LentBranch, LentOfNote, LentTrouble } from './lent-branch';
import { writeInto } from './write-into';

/** By what a document tells its owner’s changes from those of others. */
export const OWNER = 'owner';
/** So often it is begun anew where the note changed meanwhile, or what came has to be brought into its part. */
const TRIES = 30;

/** The part of a note that is lent, with where it stands now. */
interface Found {
  note: StoredNote;
  text: string;
  part: LentPart;
}

/**
 * Brings the lines of a note and the text that is lent together. What the note says is a document of its own (`ours`), which both sides agreed on last;
 * the owner’s changes go from it into the shared one, and what others changed there comes into the note in the same transaction that says so here. So
 * nothing comes twice, whenever the page goes.
 */
export class PartInStep {
  private ours = new Y.Doc();

  constructor(
    private readonly store: NoteStore,
    public branch: LentBranch & { what: LentOfNote },
    /** What both sides change. */
    readonly shared: Y.Doc,
    private readonly now: () => number,
  ) {
    Y.applyUpdate(this.ours, branch.state, OWNER);
    Y.applyUpdate(shared, branch.state, OWNER);
  }

  /** Whether others wrote what could not be taken in. */
  get isLeftOut(): boolean {
    return this.branch.trouble !== null && this.shared.getText('text').toString() !== this.ours.getText('text').toString();
  }

  /**
   * @param origin what the note’s history calls what others wrote
   * @returns the step that Undo takes back; null for none
   */
  async look(origin: Origin): Promise<{ step: number | null }> {
    let step: number | null = null;
    for (let attempt = 0; attempt < TRIES; attempt++) {
      const found = await this.find();
      if (typeof found === 'string') {
        await this.trouble(found);
        break;
      }
      const here = await this.sayOurs(found);
      Y.applyUpdate(this.shared, Y.encodeStateAsUpdate(this.ours, Y.encodeStateVector(this.shared)), OWNER);
      const state = Y.encodeStateAsUpdate(this.shared);
      const merged = this.shared.getText('text').toString();
      if (merged === here) {
        await this.agree(state, {});
        break;
      }
      const done = putIn(found.text, found.part, merged, this.branch.gone);
      if ('refused' in done) {
        await this.trouble('swallows');
        break;
      }
      const what = { ...this.branch.what, part: done.part };
      const next = { ...this.branch, what, state, text: done.text, gone: done.gone, trouble: null, heard: this.now() };
      if (done.text === found.text) {
        // What came has no place in the note: ours goes over it.
        await this.agree(state, { gone: done.gone });
        continue;
      }
      const write = { path: found.note.path, expect: { text: found.text }, content: { text: done.text } };
      const saved = await this.store
        .commit(origin, [write], () => this.store.db.lent.put(next))
        .catch((error: unknown) => this.again(error));
      if (!saved.saved) continue;
      this.branch = next;
      Y.applyUpdate(this.ours, state, OWNER);
      step = saved.step ?? step;
    }
    return { step };
  }

  /** What the note says becomes what ours says; it is kept before anybody hears of it. Gives it as it is lent. */
  private async sayOurs({ note, text, part }: Found): Promise<string> {
    const { branch } = this;
    const ours = this.ours.getText('text');
    const foot = part.kind === 'item' ? (/\n*$/.exec(ours.toString())?.[0] ?? '') : '';
    const here = lentText(text, part) + foot;
    const isSame = ours.toString() === here;
    if (!isSame) writeInto(ours, here, OWNER);
    const what = { ...branch.what, note: note.id, path: note.path, part };
    if (
      !isSame ||
      text !== branch.text ||
      JSON.stringify(what) !== JSON.stringify(branch.what) ||
      branch.trouble === 'gone' ||
      branch.trouble === 'asks'
    )
      await this.keep({ what, text, state: Y.encodeStateAsUpdate(this.ours), trouble: branch.trouble === 'swallows' ? 'swallows' : null });
    return here;
  }

  /** Whether it was stored nobody said: what stands there now counts. */
  private async again(error: unknown): Promise<never> {
    const stored = await this.store.db.lent.get(this.branch.name);
    if (stored?.what.is === 'part') {
      this.branch = { ...stored, what: stored.what };
      this.ours = new Y.Doc();
      Y.applyUpdate(this.ours, stored.state, OWNER);
    }
    throw error;
  }

  /** Both say the same. */
  private async agree(state: Uint8Array, change: Partial<LentBranch>): Promise<void> {
    Y.applyUpdate(this.ours, state, OWNER);
    if (sameBytes(state, this.branch.state) && Object.keys(change).length === 0 && this.branch.trouble === null) return;
    await this.keep({ ...change, state, trouble: null });
  }

  private async trouble(trouble: LentTrouble): Promise<void> {
    if (this.branch.trouble !== trouble) await this.keep({ trouble });
  }

  private async keep(change: Partial<LentBranch>): Promise<void> {
    this.branch = { ...this.branch, ...change, what: (change.what ?? this.branch.what) as LentOfNote };
    // What other tabs changed of it meanwhile, as to whom it is lent, stays.
    await this.store.db.lent.update(this.branch.name, { ...change, what: this.branch.what });
  }

  /** Where the part is now, or why that cannot be said. */
  private async find(): Promise<Found | LentTrouble> {
    const { what, text: before } = this.branch;
    const { ref, part } = what;
    const note = await this.store.db.notes.where('id').equals(what.note).first();
    const text = note?.text ?? null;
    if (note && text !== null) {
      if (text === before) return { note, text, part };
      const found = followedPart(before, part, text, ref);
      if (found) return { note, text, part: found };
      if (ref === null) return 'asks';
    }
    if (ref === null) return 'gone';
    // An item went to another note, or stands twice.
    const all = (await this.store.all()).flatMap((one) => {
      const line = one.text?.includes(ref) ? itemWithRef(one.text, ref) : null;
      const found = line === null || one.text === null ? null : partAt(one.text, line, 'item');
      return found && one.text !== null ? [{ note: one, text: one.text, part: found }] : [];
    });
    if (all.length === 1 && all[0]) return all[0];
    if (all.length > 1) return 'asks';
    // Only its ref went, as by Undo of what marked it.
    const line = text === null ? null : itemSaying(text, this.ours.getText('text').toString().split('\n')[0] ?? '');
    const alike = line === null || text === null ? null : partAt(text, line, 'item');
    return note && text !== null && alike ? { note, text, part: alike } : 'gone';
  }
}

const sameBytes = (one: Uint8Array, other: Uint8Array): boolean =>
  one.length === other.length && one.every((byte, index) => byte === other[index]);
