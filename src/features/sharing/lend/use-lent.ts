import { LENT_VALUE, type SeenLent, readSeenLent } from '../../../store/lending/seen-lent';
import { useToldValue } from '../../session/asked/use-told-value';

const LENT = { id: LENT_VALUE, read: readSeenLent };

/** What is lent; undefined until that is known. */
export const useLent = (): readonly SeenLent[] | undefined => useToldValue(LENT);
