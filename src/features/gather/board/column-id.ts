import type { BoardColumn } from '../../../core/gather/forms/board';

/** Names a column among those of its board, on the screen and on this device. */
export const columnId = ({ group }: Pick<BoardColumn<unknown>, 'group'>): string => group ?? '';
