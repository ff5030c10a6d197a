import { createContext } from 'react';
import type { GroupKey } from '../../core/gather/language/ast';
import type { KeptGather } from '../session/acting/task-dialog';

/** The gather whose rows are shown, so that a row can be asked why it stands there; null where no gather was written. */
export const GatherSource = createContext<ShownSource | null>(null);

interface ShownSource {
  text: string;
  at: string | null;
  groupBy: readonly GroupKey[];
  /** Where its text is kept; null for one that stands in no note. */
  kept: KeptGather | null;
}
