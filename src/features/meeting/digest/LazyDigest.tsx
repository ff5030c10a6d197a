import { late } from '../../../ui/late';

/** Loaded with the first list that shows digests. */
export const DigestOf = late(() => import('./DigestOf').then((part) => part.DigestOf));
