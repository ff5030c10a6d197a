import type { Awareness } from 'y-protocols/awareness';

/** Somebody who has it open. */
export interface Present {
  id: number;
  name: string;
  isOwner: boolean;
  isSelf: boolean;
}

/** The colours of cursors: each reads well on both themes. */
const COLOURS = ['#0f766e', '#b45309', '#7c3aed', '#be185d', '#1d4ed8', '#4d7c0f'] as const;

export const colourOf = (id: number): string => COLOURS[id % COLOURS.length] ?? COLOURS[0];

const LONGEST_NAME = 40;

/**
 * What others say of themselves becomes words and colours of ours before anything draws it: whoever has the address can send what they like.
 *
 * @returns ends it
 */
export function cleanPresence(awareness: Awareness): () => void {
  const clean = (): void => {
    for (const [id, state] of awareness.getStates()) {
      const colour = colourOf(id);
      const name = nameIn(state) || 'Somebody';
      const cursor: unknown = state['cursor'];
      awareness.states.set(id, {
        user: { name: id === awareness.clientID ? nameIn(state) : name, color: colour, colorLight: `${colour}33` },
        ...(state['owner'] === true && { owner: true }),
        ...(state['borrower'] === true && { borrower: true }),
        ...(typeof cursor === 'object' && cursor !== null && { cursor }),
      });
    }
  };
  awareness.on('change', clean);
  return () => awareness.off('change', clean);
}

function nameIn(state: Record<string, unknown>): string {
  const { user } = state;
  const name = typeof user === 'object' && user !== null && 'name' in user ? user.name : '';
  return typeof name === 'string' ? name.slice(0, LONGEST_NAME) : '';
}

/** Who has it open, oneself first. */
export function presentIn(awareness: Awareness): Present[] {
  return [...awareness.getStates()]
    .map(([id, state]): Present => ({
      id,
      name: nameIn(state),
      isOwner: state['owner'] === true,
      isSelf: id === awareness.clientID,
    }))
    .sort((one, other) => Number(other.isSelf) - Number(one.isSelf) || one.id - other.id);
}
