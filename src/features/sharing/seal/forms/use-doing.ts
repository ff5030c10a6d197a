import { useState } from 'react';
import { whyFailed } from '../../../session/telling/why-failed';

/** What is done by a form, once, with what keeps it from being done. */
export function useDoing(): { busy: boolean; problem: string | null; run: (act: () => Promise<string | null>) => void } {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const run = (act: () => Promise<string | null>): void => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    void act()
      .catch(whyFailed)
      .then((refused) => {
        setProblem(refused);
        setBusy(false);
      });
  };
  return { busy, problem, run };
}
