import type { ComponentType } from 'react';
import { shippedPath } from '../../../core/agenda/shipped-names';
import { late } from '../../../ui/late';

/** What stands above the lists of some shipped pages, by their path: what no gather can say. Each is loaded with its page. */
export const PAGE_TOPS: Readonly<Record<string, ComponentType>> = {
  [shippedPath('People')]: late(() => import('../people/PeopleTable').then((part) => part.PeopleTable)),
  [shippedPath('Goals')]: late(() => import('../goals/GoalsByLevel').then((part) => part.GoalsByLevel)),
  [shippedPath('What comes again')]: late(() => import('../record/RepeatsPart').then((part) => part.RepeatsPart)),
  [shippedPath('Record of days')]: late(() => import('../record/DaysRecordPart').then((part) => part.DaysRecordPart)),
  [shippedPath('Picture of the work')]: late(() => import('../record/PictureTop').then((part) => part.PictureTop)),
};
