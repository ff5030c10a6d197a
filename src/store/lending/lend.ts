import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import * as Y from 'yjs';
import { lentText } from '../../core/sharing/lend/lent-lines';
import { LENT_LARGEST } from '../../core/sharing/lend/lent-messages';
import { secret } from '../desk/desk-keys';
import type { NoteStore } from '../notes/note-store';
import type { LendingServer, LendingWish } from './lending-server';
import type { LentBranch, LentList, LentOfNote } from './lent-branch';
import { askForLent, tellLent } from './seen-lent';
import { writeInto } from './write-into';

/** What is to be lent, and the note in which it was found: another text would give other lines away. Empty for a list. */
export interface PlacedLending {
  what: LentOfNote | LentList;
  text: string;
}

/** What is lent, to whom, and how. */
export interface LendingAsked extends Pick<LendingWish, 'rights' | 'until'>, PlacedLending {
  title: string;
  who: string;
  /** A word that is asked for; null for none. */
  word: string | null;
}

/** The name by which a server knows an address. Also where the page is not encrypted, and the browser has no digests of its own. */
const lentName = (address: string): string => bytesToHex(sha256(utf8ToBytes(address)));

/**
 * Lends something: the server is told first, then it is kept here, and the tab that keeps what is lent brings its text there.
 *
 * @throws where the server cannot be reached
 */
export async function lend(
  store: NoteStore,
  server: LendingServer,
  asked: LendingAsked,
  now: number,
): Promise<LentBranch | { refused: string }> {
  const { what, text, title, who, rights, until, word } = asked;
  const words = what.is === 'part' ? lentText(text, what.part) : '';
  if (new TextEncoder().encode(words).length > LENT_LARGEST) return { refused: 'It is too long to be lent: at most 1 MB can be.' };
  const address = secret();
  const branch: LentBranch = {
    ...{ name: lentName(address), address, key: secret(), what, title, who, rights, until, hasWord: word !== null, since: now, text },
    ...{ gone: [], rows: [], trouble: null, ended: false, there: null, heard: now, state: stateOf(words) },
  };
  const refused = await server.lend(branch, { rights, until, word });
  if (refused !== null) return { refused };
  await store.db.lent.put(branch);
  await tellLent(store);
  await askForLent(store);
  return branch;
}

/** Changes how something is lent, on both sides. */
export async function lendOtherwise(
  store: NoteStore,
  server: LendingServer,
  name: string,
  change: Pick<LendingWish, 'until' | 'rights'> & { who: string; word?: string | null },
): Promise<string | null> {
  const branch = await store.db.lent.get(name);
  if (!branch) return 'It is lent no more.';
  const { word, who, rights, until } = change;
  const refused = await server.lend(branch, { rights, until, ...(word !== undefined && { word }) });
  if (refused !== null) return refused;
  await store.db.lent.update(name, { who, rights, until, ...(word !== undefined && { hasWord: word !== null }) });
  await tellLent(store);
  await askForLent(store);
  return null;
}

/**
 * Calls something back: its address is dead as soon as the server hears of it, and what was written there stays.
 *
 * @returns whether the server heard of it; else it does when it is reached next
 */
export async function callBack(store: NoteStore, server: LendingServer, name: string): Promise<boolean> {
  const branch = await store.db.lent.get(name);
  if (!branch) return true;
  await store.db.lent.update(name, { ended: true });
  const heard = await server.lend(branch, { rights: branch.rights, until: branch.until, ended: true }).then(
    () => true,
    () => false,
  );
  await tellLent(store);
  await askForLent(store);
  return heard;
}

function stateOf(words: string): Uint8Array {
  const doc = new Y.Doc();
  writeInto(doc.getText('text'), words, null);
  return Y.encodeStateAsUpdate(doc);
}
