import { Link } from 'react-router';
import { InlineText } from '../../../ui/InlineText';
import { noteAddress } from '../../session/places/addresses';
import { useAsked } from '../../session/asked/use-asked';

/** What can be begun of a project or goal, as the row of a list shows it. */
export function NextStepOf({ path }: { path: string }) {
  const step = useAsked('nextStep', { path });
  if (step === undefined) return null;
  if (step === null) return <span className="text-muted">no next step yet</span>;
  return (
    <Link className="hover:underline" to={noteAddress(step.path, step.line)}>
      <InlineText text={step.text} />
    </Link>
  );
}
