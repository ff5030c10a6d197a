import { durationName } from '../../../core/calendar/duration';
import type { Measure } from '../../../core/gather/language/ast';

/** A measured value as people say it. */
export const valueWords = (measure: Measure, value: number): string =>
  measure === 'takes' ? durationName(value) : measure === 'progress' ? `${value}%` : String(value);
