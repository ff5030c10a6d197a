import type { ComponentType } from 'react';
import type { Form } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { GatherList } from './GatherList';
import type { FormProps } from './form-props';
import { late } from '../../../ui/late';

const drawing = () => <p className="py-1 text-muted">Drawing…</p>;

const GatherTable = late(() => import('./GatherTable').then((part) => part.GatherTable), drawing);
const GatherSummary = late(() => import('./GatherSummary').then((part) => part.GatherSummary), drawing);

const GatherBoard = late(() => import('../board/GatherBoard').then((part) => part.GatherBoard), drawing);

const GatherSheet = late(() => import('../sheet/GatherSheet').then((part) => part.GatherSheet), drawing);

const GatherSpans = late(() => import('../spans/GatherSpans').then((part) => part.GatherSpans), drawing);

const GatherChart = late(() => import('../chart/GatherChart').then((part) => part.GatherChart), drawing);

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
