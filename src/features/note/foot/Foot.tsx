import { useMemo } from 'react';
import { ChevronDown, ChevronRight, Pencil } from 'lucide-react';
import { Link } from 'react-router';
import type { NoteKind } from '../../../core/note/facts/front-matter';
import { readFrame } from '../../../core/note/facts/note-frame';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { useFolded } from '../../gather/list/use-folded';
import { useStoredNote } from '../use-stored-note';
import { Safe } from '../../session/acting/Safe';
import { noteAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';
import { feetOf } from './feet-of';

interface FootProps {
  /** The note above it; where none is stored, the name with its sign, or the path that the page of a day would have. */
  at: string;
  kind: NoteKind;
}

/** What stands under the text of a note: the pages of gathers that are feet of its kind, each asked for this note. */
export function Foot({ at, kind }: FootProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const feet = useMemo(() => feetOf(kind, notes ?? []), [kind, notes]);
  // What a meeting leads to stands at its head.
  const isAtHead = useAppSelector((state) => kind === 'meeting' && state.settings.meetingLists === 'head');
  if (feet.length === 0 || isAtHead) return null;
  return (
    <div className="mt-10 border-t border-line pt-3">
      {feet.map(({ path, title }) => (
        <Safe key={path} part="What stands under this note" of={path}>
          <OneFoot path={path} title={title} at={at} kind={kind} />
        </Safe>
      ))}
    </div>
  );
}

const NAMES: Partial<Record<NoteKind, string>> = {
  person: 'From every note',
  project: 'About this project',
  goal: 'For this goal',
  tag: 'Under this tag',
  journal: 'From other notes',
  meeting: 'From this meeting',
};

/** Stands for the whole foot among its folded parts. */
const WHOLE = '**';

function OneFoot({ path, title, at, kind }: FootProps & { path: string; title: string }) {
  const { folded, toggle } = useFolded(path);
  const shut = folded.has(WHOLE);
  const name = NAMES[kind] ?? title;
  return (
    <section aria-label={name} className="mb-4">
      <div className="mb-2 flex items-center justify-between gap-2">
        <button
          type="button"
          aria-expanded={!shut}
          className="-ms-1.5 flex min-h-[26px] items-center gap-1 rounded-md px-1.5 section-label hover:bg-raised"
          onClick={() => toggle(WHOLE)}
        >
          {shut ? <ChevronRight size={13} aria-hidden="true" /> : <ChevronDown size={13} aria-hidden="true" />}
          {name}
        </button>
        <Link
          to={noteAddress(path)}
          className="quiet-button no-print"
          aria-label={`Change what stands under “${name}”`}
          title="Change what stands here"
        >
          <Pencil size={13} aria-hidden="true" />
        </Link>
      </div>
      {!shut && <FootLists path={path} at={at} />}
    </section>
  );
}

/** The lists of a foot; they are asked only while it is open. */
function FootLists({ path, at }: { path: string; at: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  const gathers = useMemo(() => (text === null ? null : readFrame(text).gathers.map((gather) => gather.text)), [text]);
  return gathers && <AgendaLists path={at} home={path} gathers={gathers} look="page" />;
}
