import { editorText } from '../../core/note/blocks/line-endings';
import { type Change, differenceOf } from '../../core/task/writing/edit';

/** Where a text is written: an editor, or what it left behind. Line ends are LF. */
export interface Surface {
  text: () => string;
  /** Shows a text of the store, in the place of the one that is shown. */
  show: (text: string, elsewhere: boolean) => void;
  /** What the text differs by from the one that is stored, for the draft. */
  unsaved: () => readonly Change[];
  /** The text is being stored as it is now. */
  sent: () => void;
  /** What was sent is stored: what differs from now on differs from that. */
  stored: () => void;
  /** The text now differs by this from what is stored. */
  differs: (changes: readonly Change[]) => void;
}

/**
 * The text of an editor that went.
 *
 * @param stored what is stored by now; null for no note
 */
export function keptText(first: string, stored: () => string | null): Surface {
  let text = first;
  return {
    text: () => text,
    show: (next) => void (text = next),
    unsaved: () => {
      const change = differenceOf(editorText(stored() ?? ''), text);
      return change ? [change] : [];
    },
    sent: () => undefined,
    stored: () => undefined,
    differs: () => undefined,
  };
}
