import { ChevronDown, ChevronRight } from 'lucide-react';
import { useId, useMemo } from 'react';
import { anyPart } from '../../../core/gather/language/any-part';
import type { Gather } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { printGather } from '../../../core/gather/saying/print';
import type { NoteKind } from '../../../core/note/facts/front-matter';
import { readFrame } from '../../../core/note/facts/note-frame';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { useFolded } from '../../gather/list/use-folded';
import { useStoredNote } from '../use-stored-note';
import { useAppSelector } from '../../session/state/state';
import { useAnswer } from '../../session/asked/use-answer';
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

/** A list of the foot, as it stands there and as it was read. */
interface FootList {
  text: string;
  gather: Gather;
  title: string;
}

function OneLine({ path, at }: { path: string; at: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  const lists = useMemo(() => (text === null ? [] : readFrame(text).gathers.map((one) => listOf(one.text))), [text]);
  const { folded: opened, toggle } = useFolded(`line\n${path}`);
  return (
    // Without anything to say it takes no room.
    <div className="my-2 hidden border-y border-line py-1.5 has-[button]:block">
      <p className="flex flex-wrap gap-x-1" role="group" aria-label="What it leads to">
        {lists.map(({ gather, title }, index) => (
          <ListPress key={index} gather={gather} title={title} at={at} isOpen={opened.has(title)} onPress={() => toggle(title)} />
        ))}
      </p>
      {lists
        .filter(({ title }) => opened.has(title))
        .map((list) => (
          <OpenList key={list.text} {...list} path={path} at={at} />
        ))}
    </div>
  );
}

function listOf(text: string): FootList {
  const { gather } = parseGather(text);
  return { text, gather, title: gather.title ?? 'Gathered' };
}

/** A list that is opened; what earlier meetings left can be taken along. */
function OpenList({ text, gather, path, at }: FootList & { path: string; at: string }) {
  const lists = useId();
  const ofSeries = gather.from === 'tasks' && anyPart(gather.where, (part) => part.is === 'this' && part.what === 'series');
  return (
    <div className="mt-2 rounded-lg bg-raised px-3 pt-2">
      <AgendaLists path={at} home={path} gathers={[text]} look="page" saysEmpty={false} titled lists={lists} />
      {ofSeries && <TakeAlong lists={lists} at={at} />}
    </div>
  );
}

interface ListPressProps {
  gather: Gather;
  title: string;
  at: string;
  isOpen: boolean;
  onPress: () => void;
}

function ListPress({ gather, title, at, isOpen, onPress }: ListPressProps) {
  // Only its number is asked for.
  const answer = useAnswer(
    useMemo(() => printGather({ ...gather, limit: 0, limitPerGroup: null }), [gather]),
    at,
  );
  if (!answer || (answer.total === 0 && !isOpen)) return null;
  const words = title.toLowerCase();
  return (
    <button
      type="button"
      aria-expanded={isOpen}
      className={`flex min-h-[26px] items-center gap-1 rounded-md px-1.5 text-[0.93rem] hover:bg-raised ${isOpen ? 'text-primary' : ''}`}
      onClick={onPress}
    >
      {isOpen ? <ChevronDown size={13} aria-hidden="true" /> : <ChevronRight size={13} aria-hidden="true" />}
      <strong className="font-semibold">{answer.total}</strong> {answer.total === 1 ? words.replace(/s$/, '') : words}
    </button>
  );
}
