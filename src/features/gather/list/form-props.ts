import type { AnswerView } from '../../../core/index/live/view';

/** What every form of a list is given: the answer, and what a person chose for it. */
export interface FormProps {
  answer: AnswerView;
  /** The level of its group headings. */
  groupHeading: 'h3' | 'h4';
  /** Names the list, for what is kept beside it on this device. */
  name: string;
  /** Shows what limits leave out; null when nothing is left out. */
  showAll: (() => void) | null;
  /** The key by which the rows stand in order now; null for the usual order. */
  order: { key: string; descending: boolean } | null;
  /** Puts the rows in another order. */
  onOrder: (key: string) => void;
}
