import { useState } from 'react';
import type { AnswerView } from '../../core/index/view';
import { withoutLimits } from '../../core/gather/without-limits';
import { useAnswer } from '../session/use-answer';

export interface ShownGather {
  answer: AnswerView | undefined;
  /** Shows what the limits leave out; null when nothing is left out, or all is shown already. */
  showAll: (() => void) | null;
}

/** The live answer to a gather, first within its limits, then whole when a person asks for it. */
export function useGather(text: string, at: string | null): ShownGather {
  const [whole, setWhole] = useState(false);
  const answer = useAnswer(whole ? withoutLimits(text) : text, at);
  const cut = answer !== undefined && (answer.more > 0 || answer.groups.some((group) => group.more > 0));
  return { answer, showAll: cut && !whole ? () => setWhole(true) : null };
}
