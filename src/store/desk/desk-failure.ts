/**
 * Why a desk could not be reached.
 *
 * - `away`: no network, or no server
 * - `unreached`: the same, before the device is linked
 * - `unlinked`: the server knows no such desk, or this device no more
 * - `full`: it has no room
 * - `busy`: it was asked too much
 * - `wrong`: it answers nothing that a desk would
 */
export type DeskTrouble = 'away' | 'unreached' | 'unlinked' | 'full' | 'busy' | 'wrong';

const WORDS: Record<DeskTrouble, string> = {
  away: 'The server cannot be reached now. What you write goes there once it can.',
  unreached: 'The server cannot be reached now. Nothing was changed; try it again.',
  unlinked: 'The server does not know this device any more: it was unlinked, or the desk was taken off. Your notes here stay.',
  full: 'The server has no room left. Your notes here stay, and go there once it has.',
  busy: 'The server asks for a pause. It is tried again.',
  wrong: 'The server answers as no desk does. It is tried again.',
};

/** A desk could not be reached; its message is for the person. */
export class DeskFailure extends Error {
  constructor(readonly trouble: DeskTrouble) {
    super(WORDS[trouble]);
    this.name = 'DeskFailure';
  }
}
