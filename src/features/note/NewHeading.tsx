import { LineField } from '../../ui/LineField';
import { refuse } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { useServices } from '../session/state/services';

/** Writes another heading at the end of a note: another column of its board. */
export function NewHeading({ path, text }: { path: string; text: string }) {
  const { actions } = useServices();
  const told = useToldDone();
  const write = async (words: string): Promise<void> => {
    const label = `New heading: ${words}`;
    const end = /\n\n$/.test(text) || text === '' ? '' : text.endsWith('\n') ? '\n' : '\n\n';
    const result = await actions.replace(path, `${text}${end}## ${words}\n`, label);
    if ('refused' in result) refuse(result.refused);
    else told(label, result.step);
  };
  return <LineField label="Another column: a new heading" className="no-print mt-2 max-w-80" onWrite={(words) => void write(words)} />;
}
