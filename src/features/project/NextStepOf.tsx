import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { FoundTask } from '../../core/index/questions/found-task';
import { InlineText } from '../../ui/InlineText';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { useChanges } from '../session/state/use-changes';

/** What can be begun of a project or goal, as the row of a list shows it. */
export function NextStepOf({ path }: { path: string }) {
  const { engine } = useServices();
  const changes = useChanges();
  const [step, setStep] = useState<FoundTask | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    void engine.ask('nextStep', { path }).then((found) => !gone && setStep(found));
    return () => {
      gone = true;
    };
  }, [engine, changes, path]);
  if (step === undefined) return null;
  if (step === null) return <span className="text-muted">no next step yet</span>;
  return (
    <Link className="hover:underline" to={noteAddress(step.path, step.line)}>
      <InlineText text={step.text} />
    </Link>
  );
}
