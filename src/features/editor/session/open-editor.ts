import type { OpenText } from '../../../store/texts/open-text';
import type { MadeEditor } from '../make-editor';
import type { UndoOrder } from './undo-order';

/** An editor that is open, with the text it writes in the store and the order in which Undo takes things back. */
export interface OpenEditor extends MadeEditor {
  open: OpenText;
  order: UndoOrder;
}
