import type { Gather } from '../../../core/gather/language/ast';
import type { ClauseWord } from '../../../core/gather/saying/edit-clause';
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
  /** Changes a clause of the gather's text where it is kept; of one that is kept nowhere, for a while. */
  onClause: (word: ClauseWord, clause: string | null) => void;
  /** What is written into it goes by this gather, the note that holds it, and its text there; null where nothing can be written. */
  writing: { gather: Gather; at: string | null; written: string } | null;
}
