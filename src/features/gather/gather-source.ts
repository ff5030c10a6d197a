import { createContext } from 'react';
import type { GroupKey } from '../../core/gather/language/ast';

/** The gather whose rows are shown, so that a row can be asked why it stands there; null where no gather was written. */
export const GatherSource = createContext<{ text: string; at: string | null; groupBy: readonly GroupKey[] } | null>(null);
