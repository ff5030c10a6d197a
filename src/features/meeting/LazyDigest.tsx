import { lazy } from 'react';

/** Loaded with the first list that shows digests. */
export const DigestOf = lazy(() => import('./DigestOf').then((part) => ({ default: part.DigestOf })));
