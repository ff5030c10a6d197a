import { ChevronDown, ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import type { NoteKind } from '../../core/note/facts/front-matter';
import { readFrame } from '../../core/note/facts/note-frame';
import { AgendaLists } from '../agenda/AgendaLists';
import { useFolded } from '../gather/list/use-folded';
import { useStoredNote } from '../note/use-stored-note';
import { useAppSelector } from '../session/state/state';
import { useAnswer } from '../session/state/use-answer';
import { feetOf } from './feet-of';
import { TakeAlong } from './TakeAlong';

interface FootLineProps {
  at: string;
  kind: NoteKind;
}

/** The lists of a foot as one line: each with its number, opened at a press, and left as it was. What holds nothing is not said. */
export function FootLine({ at, kind }: FootLineProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const feet = useMemo(() => feetOf(kind, notes ?? []), [kind, notes]);
  return feet.map(({ path }) => <OneLine key={path} path={path} at={at} />);
}

function OneLine({ path, at }: { path: string; at: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  const gathers = useMemo(() => (text === null ? [] : readFrame(text).gathers.map((gather) => gather.text)), [text]);
  const { folded: opened, toggle } = useFolded(`line\n${path}`);
  return (
    <div className="my-2 border-y border-line py-1.5">
      <p className="flex flex-wrap gap-x-1" role="group" aria-label="What it leads to">
        {gathers.map((gather, index) => (
          <ListPress key={index} text={gather} at={at} isOpen={opened.has(titleOf(gather))} onPress={() => toggle(titleOf(gather))} />
        ))}
      </p>
      {gathers
        .filter((gather) => opened.has(titleOf(gather)))
        .map((gather) => (
          <div key={gather} className="mt-2 rounded-lg bg-raised px-3 pt-2">
            <AgendaLists path={at} home={path} gathers={[gather]} look="page" saysEmpty={false} titled />
            {/\bthis series\b/.test(gather) && <TakeAlong text={gather} at={at} />}
          </div>
        ))}
    </div>
  );
}

const titleOf = (gather: string): string => /^title (.*)$/m.exec(gather)?.[1]?.trim() ?? 'Gathered';

interface ListPressProps {
  text: string;
  at: string;
  isOpen: boolean;
  onPress: () => void;
}

function ListPress({ text, at, isOpen, onPress }: ListPressProps) {
  const answer = useAnswer(text, at);
  if (!answer || (answer.total === 0 && !isOpen)) return null;
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      className={`flex min-h-[26px] items-center gap-1 rounded-md px-1.5 text-[0.93rem] hover:bg-raised ${isOpen ? 'text-primary' : ''}`}
      onClick={onPress}
    >
      {isOpen ? <ChevronDown size={13} aria-hidden="true" /> : <ChevronRight size={13} aria-hidden="true" />}
      <strong className="font-semibold">{answer.total}</strong>{' '}
      {answer.total === 1 ? titleOf(text).toLowerCase().replace(/s$/, '') : titleOf(text).toLowerCase()}
    </button>
  );
}
