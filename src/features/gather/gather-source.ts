import { createContext } from 'react';

/** The gather whose rows are shown, so that a row can be asked why it stands there; null where no gather was written. */
export const GatherSource = createContext<{ text: string; at: string | null } | null>(null);
