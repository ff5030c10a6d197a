import { lazy } from 'react';

/** Loaded with the first task that stands for a project. */
export const ProjectProgress = lazy(() => import('./ProjectProgress').then((part) => ({ default: part.ProjectProgress })));
