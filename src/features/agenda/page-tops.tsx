import { type ComponentType, lazy } from 'react';
import { shippedPath } from '../../core/agenda/shipped-names';

/** What stands above the lists of some shipped pages, by their path: what no gather can say. Each is loaded with its page. */
export const PAGE_TOPS: Readonly<Record<string, ComponentType>> = {
  [shippedPath('People')]: lazy(() => import('../people/PeopleTable').then((part) => ({ default: part.PeopleTable }))),
  [shippedPath('Goals')]: lazy(() => import('../goals/GoalsByLevel').then((part) => ({ default: part.GoalsByLevel }))),
  [shippedPath('What comes again')]: lazy(() => import('../record/RepeatsPart').then((part) => ({ default: part.RepeatsPart }))),
  [shippedPath('Record of days')]: lazy(() => import('../record/DaysRecordPart').then((part) => ({ default: part.DaysRecordPart }))),
  [shippedPath('Picture of the work')]: lazy(() => import('../record/PictureTop').then((part) => ({ default: part.PictureTop }))),
};
