import * as Y from 'yjs';
import { nowOfDate } from '../../core/calendar/span';
import type { ListedGather } from '../../core/formats/listed';
import type { LentSettings } from '../../core/sharing/lend/lent-settings';
import { foldPath, freePath, safeFileName } from '../../core/note/names/path';
import { stampOf } from '../../core/task/acts/action-context';
import type { NoteListener } from '../notes/note-source';
import type { NoteStore } from '../notes/note-store';
import { LENT, type Origin } from '../notes/origin';
import type { LendingServer } from './lending-server';
import type { LentBranch, LentList, LentOfNote } from './lent-branch';
import { ListInStep, type ListTick } from './list-in-step';
import { OWNER, PartInStep } from './part-in-step';
import { tellLent } from './seen-lent';

/** A text that both sides change, joined with the server. */
export interface LentLink {
  leave: () => void;
}

/** What is heard of a link. */
export interface LinkTold {
  /** Both sides have all that the other has. */
  synced: () => void;
  /** It is not let in: the server knows nothing of it. */
  refused: () => void;
}

export interface LentHost {
  store: NoteStore;
  server: LendingServer;
  connect: (branch: LentBranch, shared: Y.Doc, told: LinkTold) => LentLink;
  answer: (list: LentList) => Promise<readonly ListedGather[]>;
  act: (ticks: readonly ListTick[], label: string) => Promise<number | null>;
  /** Stores what is being typed, so that it counts as what the note says. */
  save: () => Promise<void>;
  settings: () => LentSettings;
  makeId: () => string;
  now: () => number;
  /** What borrowers wrote while nobody was here stands in the note now; the step takes it back. */
  arrived: (branch: LentBranch, who: string, step: number) => void;
  /** What was lent had no place any more when it was called back: it is a note of its own. */
  beside: (title: string, path: string) => void;
  problem: (error: unknown) => void;
}

/** So long after a change it is brought to the other side, in milliseconds: what is typed in a row goes together. */
const SOON = 60;
/** The same for a list, which must be answered anew. */
const SOON_LIST = 400;
/** After so long a look that failed is tried again, in milliseconds. */
const AGAIN = 5000;

/** One thing that is lent, as it is kept in step. */
interface Kept {
  inStep: PartInStep | ListInStep;
  link: LentLink;
  isSynced: boolean;
  soon: ReturnType<typeof setTimeout> | null;
  turn: Promise<boolean>;
}

/** Keeps all that is lent in step with the notes, in the one tab that does it for all. */
export class LentKeeper {
  private readonly kept = new Map<string, Kept>();
  private isEnded = false;
  private looking: Promise<void> = Promise.resolve();

  constructor(private readonly host: LentHost) {}

  /** What of the store must be told. */
  readonly listener: Partial<NoteListener> = {
    changed: (changes) => {
      const ours = changes.filter(({ by }) => by !== 'lent');
      for (const [name, { inStep }] of this.kept) {
        const { what } = inStep.branch;
        if (what.is === 'list') this.lookSoon(name);
        else if (ours.some(({ path }) => foldPath(path) === foldPath(what.path)) || ours.length > 1 || what.ref !== null)
          this.lookSoon(name);
      }
    },
  };

  /** Looks at what is lent: what is new is joined, what went is left, and the server is asked who was there. */
  look(): Promise<void> {
    this.looking = this.looking.then(() => this.lookAtAll()).catch(this.host.problem);
    return this.looking;
  }

  /** All that is known goes to the other side. */
  async settle(): Promise<void> {
    await this.looking;
    for (const [name, { soon }] of [...this.kept]) {
      if (soon) clearTimeout(soon);
      await this.bring(name);
    }
  }

  end(): void {
    this.isEnded = true;
    for (const name of [...this.kept.keys()]) this.leave(name);
  }

  private async lookAtAll(): Promise<void> {
    const branches = await this.host.store.db.lent.toArray();
    const names = new Set(branches.map(({ name }) => name));
    for (const name of [...this.kept.keys()]) if (!names.has(name)) this.leave(name);
    for (const branch of branches) {
      if (this.isEnded) return;
      const present = this.kept.get(branch.name);
      // It has another place now: it is begun anew.
      if (present && isMoved(present.inStep.branch, branch)) this.leave(branch.name);
      const kept = this.kept.get(branch.name);
      if (kept) {
        const { title, who, rights, until, hasWord, ended } = branch;
        kept.inStep.branch = { ...kept.inStep.branch, title, who, rights, until, hasWord, ended };
        this.describe(kept.inStep.shared, branch);
      } else this.join(branch);
      await this.askServer(branch.name);
      const now = this.kept.get(branch.name);
      if (branch.ended && branch.trouble === 'lost') await this.dropLost(branch);
      else if (branch.ended && now?.isSynced) await this.callBack(branch.name);
    }
    await tellLent(this.host.store);
  }

  private join(branch: LentBranch): void {
    const shared = new Y.Doc();
    const inStep = isOfNote(branch)
      ? new PartInStep(this.host.store, branch, shared, this.host.now)
      : new ListInStep(
          {
            ...{ store: this.host.store, answer: this.host.answer, makeId: this.host.makeId },
            act: (ticks) => this.host.act(ticks, labelOf(branch, whoOf(ticks))),
          },
          branch as LentBranch & { what: LentList },
          shared,
        );
    this.describe(shared, branch);
    shared.on('update', (_: Uint8Array, origin: unknown) => {
      if (origin !== OWNER) this.lookSoon(branch.name);
    });
    const { name } = branch;
    const link = this.host.connect(branch, shared, {
      synced: () => void this.synced(name).catch(this.host.problem),
      refused: () => void this.lost(name).catch(this.host.problem),
    });
    this.kept.set(name, { inStep, link, isSynced: false, soon: null, turn: Promise.resolve(true) });
    // Words of our own go as soon as somebody is joined; those of others are waited for, so that they come as one step.
  }

  /** How its owner’s dates are named and what acts write there. */
  private describe(shared: Y.Doc, { what, rights }: LentBranch): void {
    const about = shared.getMap('about');
    const now = { form: what.is, rights, settings: this.host.settings() };
    shared.transact(() => {
      for (const [key, value] of Object.entries(now)) if (JSON.stringify(about.get(key)) !== JSON.stringify(value)) about.set(key, value);
      if (!about.has('rows')) about.set('rows', []);
    }, OWNER);
  }

  private async synced(name: string): Promise<void> {
    const kept = this.kept.get(name);
    if (!kept || this.isEnded) return;
    const isFirst = !kept.isSynced;
    const there = isFirst ? await this.host.server.state(kept.inStep.branch).catch(() => null) : null;
    kept.isSynced = true;
    const hands = (there?.hands ?? []).filter(({ at }) => at > kept.inStep.branch.heard);
    await this.bring(name, isFirst ? { by: 'lent', label: labelOf(kept.inStep.branch, handsName(hands)) } : LENT, handsName(hands));
    if (kept.inStep.branch.ended) void this.look();
  }

  private async lost(name: string): Promise<void> {
    const kept = this.kept.get(name);
    if (!kept) return;
    // One that is called back may have gone already.
    if (kept.inStep.branch.ended) await this.forget(name);
    else await this.host.store.db.lent.update(name, { trouble: 'lost' });
    await tellLent(this.host.store);
  }

  private lookSoon(name: string): void {
    const kept = this.kept.get(name);
    if (!kept || kept.soon !== null || this.isEnded) return;
    const wait = kept.inStep instanceof ListInStep ? SOON_LIST : SOON;
    kept.soon = setTimeout(() => {
      kept.soon = null;
      void this.bring(name).catch(this.host.problem);
    }, wait);
  }

  /** Brings both sides together, one look after the other; whether that could be done. */
  private bring(name: string, origin: Origin = LENT, who = ''): Promise<boolean> {
    const kept = this.kept.get(name);
    if (!kept) return Promise.resolve(false);
    const turn = kept.turn.then(async () => {
      // Before the first meeting nothing is known of what others wrote.
      if (!kept.isSynced || this.kept.get(name) !== kept) return false;
      await this.host.save();
      const before = JSON.stringify(shownOf(kept.inStep.branch));
      const { step } = await kept.inStep.look(origin);
      if (step !== null && kept.inStep instanceof PartInStep) this.host.arrived(kept.inStep.branch, who, step);
      if (JSON.stringify(shownOf(kept.inStep.branch)) !== before) await tellLent(this.host.store);
      return true;
    });
    kept.turn = turn.catch((error: unknown) => {
      this.host.problem(error);
      // A browser that gives no room now is asked again.
      setTimeout(() => this.lookSoon(name), AGAIN);
      return false;
    });
    return kept.turn;
  }

  private async askServer(name: string): Promise<void> {
    const kept = this.kept.get(name);
    if (!kept) return;
    const there = await this.host.server.state(kept.inStep.branch).catch(() => kept.inStep.branch.there);
    kept.inStep.branch = { ...kept.inStep.branch, there };
    await this.host.store.db.lent.update(name, { there });
  }

  /** What was written last is taken in; only then nothing of it is left there. */
  private async callBack(name: string): Promise<void> {
    const kept = this.kept.get(name);
    if (!kept) return;
    const { branch, shared } = kept.inStep;
    await this.host.server.lend(branch, { rights: branch.rights, until: branch.until, ended: true });
    // What a borrower was told is saved may still be on its way here.
    const last = await this.host.server.text(branch);
    if (last) Y.applyUpdate(shared, last, 'server');
    if (!(await this.bring(name))) return;
    if (kept.inStep instanceof PartInStep && kept.inStep.isLeftOut) await this.keepBeside(kept.inStep);
    await this.host.server.drop(branch);
    await this.forget(name);
  }

  /** What has no place in its note any more becomes a note: nothing that was written there goes. */
  private async keepBeside({ branch: { title }, shared }: PartInStep): Promise<void> {
    const { store } = this.host;
    const text = shared.getText('text').toString();
    const taken = await store.paths();
    const path = freePath(`${safeFileName(title)} (lent).md`, (folded) => taken.has(folded));
    const saved = await store.commit(LENT, [{ path, expect: null, content: { text } }]);
    if (!saved.saved) throw new Error(`${path} was made meanwhile.`);
    this.host.beside(title, path);
  }

  /** Of what the server knew nothing of, nothing is to be taken in. */
  private async dropLost(branch: LentBranch): Promise<void> {
    await this.host.server.drop(branch);
    await this.forget(branch.name);
  }

  private async forget(name: string): Promise<void> {
    this.leave(name);
    await this.host.store.db.lent.delete(name);
  }

  private leave(name: string): void {
    const kept = this.kept.get(name);
    if (kept?.soon) clearTimeout(kept.soon);
    kept?.link.leave();
    this.kept.delete(name);
  }
}

const isOfNote = (branch: LentBranch): branch is LentBranch & { what: LentOfNote } => branch.what.is === 'part';
/** Whether a person gave it another place, and it did not only follow its lines. */
const isMoved = (here: LentBranch, stored: LentBranch): boolean => here.trouble !== null && stored.trouble === null;

const shownOf = ({ what, trouble, rows }: LentBranch) => [what, trouble, rows.length];

/** Of a step, what Undo says of it. */
const labelOf = ({ title }: LentBranch, who: string): string => `${who === '' ? 'Borrowers' : who} in “${title}”`;

const whoOf = (ticks: readonly ListTick[]): string => handsName(ticks.map(({ who, at }) => ({ name: who, at })));

/** Who it was, and when last: `Lars 2026-11-29 10:02`. */
function handsName(hands: readonly { name: string; at: number }[]): string {
  const names = [...new Set(hands.map(({ name }) => name || 'Somebody'))];
  const last = Math.max(...hands.map(({ at }) => at));
  return names.length === 0 ? '' : `${names.join(', ')} ${stampOf(nowOfDate(new Date(last)))}`;
}
