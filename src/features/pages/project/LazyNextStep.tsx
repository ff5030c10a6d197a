import { late } from '../../../ui/late';

/** Loaded with the first list that shows next steps. */
export const NextStepOf = late(() => import('./NextStepOf').then((part) => part.NextStepOf));
