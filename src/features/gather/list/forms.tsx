import { type ComponentType, lazy } from 'react';
import type { Form } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { GatherList } from './GatherList';
import type { FormProps } from './form-props';

const GatherTable = lazy(() => import('./GatherTable').then((part) => ({ default: part.GatherTable })));
const GatherSummary = lazy(() => import('./GatherSummary').then((part) => ({ default: part.GatherSummary })));

const GatherBoard = lazy(() => import('../board/GatherBoard').then((part) => ({ default: part.GatherBoard })));

const GatherSheet = lazy(() => import('../sheet/GatherSheet').then((part) => ({ default: part.GatherSheet })));

const GatherSpans = lazy(() => import('../spans/GatherSpans').then((part) => ({ default: part.GatherSpans })));

const GatherChart = lazy(() => import('../chart/GatherChart').then((part) => ({ default: part.GatherChart })));

/** How each form is drawn. A new form is a component and a line here; acting, selecting and moving about come from `use-list-actions.ts`. */
const FORMS: Readonly<Record<Form['is'], ComponentType<FormProps>>> = {
  list: GatherList,
  table: GatherTable,
  summary: GatherSummary,
  board: GatherBoard,
  month: GatherSheet,
  weeks: GatherSheet,
  spans: GatherSpans,
  bars: GatherChart,
  curve: GatherChart,
};

/** The forms that have their own place, or none, for what is written into them. */
export const writesItself = (form: Form | null): boolean => form !== null && WRITE_THEMSELVES.has(form.is);

const WRITE_THEMSELVES: ReadonlySet<Form['is']> = new Set(['board', 'summary', 'month', 'weeks', 'bars', 'curve']);

/** Whether a gather, by its text, is drawn in a form that uses the whole sheet. */
export const isWide = (text: string): boolean => WIDE.has(parseGather(text).gather.form?.is ?? 'list');

const WIDE: ReadonlySet<Form['is']> = new Set(['table', 'summary', 'board', 'month', 'weeks', 'spans']);

/** What draws a form; null is a list. */
export const drawingOf = (form: Form | null): ComponentType<FormProps> => FORMS[form?.is ?? 'list'];
