import { late } from '../../../ui/late';

/** Loaded with the first task that stands for a project. */
export const ProjectProgress = late(() => import('./ProjectProgress').then((part) => part.ProjectProgress));
