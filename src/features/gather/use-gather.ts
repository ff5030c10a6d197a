import { useEffect, useMemo, useState } from 'react';
import type { AnswerView } from '../../core/index/live/view';
import type { Form, Gather } from '../../core/gather/language/ast';
import { type ClauseWord, withGatherClause } from '../../core/gather/saying/edit-clause';
import { type Narrowing, NO_NARROWING, narrowed } from '../../core/gather/answer/narrow';
import { parseGather } from '../../core/gather/language/parse';
import { withoutLimits } from '../../core/gather/saying/without-limits';
import { useAnswer } from '../session/asked/use-answer';
import { lastGoodText, listPlace, rememberGood } from './last-good';

export interface ShownGather {
  answer: AnswerView | undefined;
  /** The gather as it is shown, with what was changed for a while. */
  text: string;
  gather: Gather;
  /** Shows what the limits leave out; null when nothing is left out, or all is shown already. */
  showAll: (() => void) | null;
  /** Changes a clause for a while; null takes it away. */
  change: (word: ClauseWord, clause: string | null) => void;
  /** The text with the changed clauses, to be kept in its note; null while nothing is changed. */
  draft: string | null;
  discard: () => void;
}

/** The forms that show sums alone, and no rows. */
const showsSums = (form: Form | null): boolean => form?.is === 'summary' || form?.is === 'bars' || form?.is === 'curve';

/**
 * The live answer to a gather: first within its limits, narrowed, and with clauses that a person changed for a while. While its
 * text cannot be read, what the last one that could comes to stands with the errors.
 *
 * @param index its place (from 0) among the gathers of its note
 * @param home the note that holds its text, where it is asked for another
 * @param name by which others find the answer; its own when left out
 */
export function useGather(
  written: string,
  at: string | null,
  index: number,
  narrowing: Narrowing = NO_NARROWING,
  name?: string,
  home = at,
): ShownGather {
  const [whole, setWhole] = useState(false);
  const [draft, setDraft] = useState<{ of: string; text: string } | null>(null);
  // A draft of a text that is no longer there is let go.
  const changed = draft?.of === written ? draft.text : null;
  const text = useMemo(() => narrowed(changed ?? written, narrowing), [changed, written, narrowing]);
  const gather = useMemo(() => parseGather(text).gather, [text]);
  const told = useAnswer(whole ? withoutLimits(text) : text, at, name);
  const place = listPlace(home, index);
  const broken = told !== undefined && told.errors.length > 0;
  useEffect(() => {
    if (parseGather(written).errors.length === 0) rememberGood(place, written);
  }, [place, written]);
  const before = useAnswer(broken ? lastGoodText(place) : null, at);
  const answer = useMemo(
    () => (broken && before ? { ...before, title: told.title ?? before.title, errors: told.errors } : told),
    [broken, before, told],
  );
  const cut = answer !== undefined && !showsSums(answer.form) && (answer.more > 0 || answer.groups.some((group) => group.more > 0));
  return {
    answer,
    text,
    gather,
    showAll: cut && !whole ? () => setWhole(true) : null,
    change: (word, clause) => {
      const next = withGatherClause(changed ?? written, word, clause);
      setDraft(next === written ? null : { of: written, text: next });
    },
    draft: changed,
    discard: () => setDraft(null),
  };
}
