import { useContext } from 'react';
import type { GroupKeyName } from '../../../core/gather/language/ast';
import { useAnswer } from '../../session/asked/use-answer';
import { GatherSource } from '../gather-source';
import { GatherList } from '../list/GatherList';
import { tasksOfKey } from './tasks-of-key';

interface TasksOfKeyProps {
  label: string;
  by: GroupKeyName;
  value: { key: string | null; label: string } | undefined;
}

/** The tasks that a bar or a line of a summary stands for, to act on them there. */
export function TasksOfKey({ label, by, value }: TasksOfKeyProps) {
  const source = useContext(GatherSource);
  const text = source && tasksOfKey(source.text, by, value);
  if (text === null) return <p className="mt-2 text-[0.86rem] text-muted">No condition of the language says which tasks these are.</p>;
  return (
    <section aria-label={label} className="mt-2 border-t border-line pt-2">
      <Rows key={text} text={text} />
    </section>
  );
}

function Rows({ text }: { text: string }) {
  return <GatherList answer={useAnswer(text, null)} groupHeading="h4" name={text} />;
}
