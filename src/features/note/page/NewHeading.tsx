import { readFrame } from '../../../core/note/facts/note-frame';
import { foldName } from '../../../core/note/names/names';
import { LineField } from '../../../ui/form/LineField';
import { refuse } from '../../session/telling/messages';
import { useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';

/** Writes another heading at the end of a note: another column of its board. */
export function NewHeading({ path, text }: { path: string; text: string }) {
  const { actions } = useServices();
  const told = useToldDone();
  const write = async (words: string): Promise<void> => {
    if (readFrame(text).structure.headings.some((heading) => foldName(heading.words.trim()) === foldName(words))) {
      refuse(`There is a column “${words}” already.`);
      return;
    }
    const label = `New heading: ${words}`;
    const result = await actions.writeLines(path, { heading: words, side: 'last' }, [], label);
    if ('refused' in result) refuse(result.refused);
    else told(label, result.step);
  };
  return <LineField label="Another column: a new heading" className="no-print mt-2 max-w-80" onWrite={(words) => void write(words)} />;
}
