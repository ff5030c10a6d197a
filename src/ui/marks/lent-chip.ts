import type { ChipLook } from './chip-look';

/** That others can open something by an address, by shape and word; the same in texts, in lists and in the rack. */
export const LENT_CHIP: ChipLook = { word: '⤴', value: 'lent', tone: 'plain', problem: null };
