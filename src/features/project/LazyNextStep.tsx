import { lazy } from 'react';

/** Loaded with the first list that shows next steps. */
export const NextStepOf = lazy(() => import('./NextStepOf').then((part) => ({ default: part.NextStepOf })));
