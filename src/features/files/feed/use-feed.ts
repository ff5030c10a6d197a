import { useToldValue } from '../../session/asked/use-told-value';
import { FEED, type Feed, readFeed } from './feed-state';

const PRESENT = { id: FEED, read: readFeed };

/** The calendar that the server gives; null for none, undefined until it is known. */
export const useFeed = (): Feed | null | undefined => useToldValue(PRESENT);
