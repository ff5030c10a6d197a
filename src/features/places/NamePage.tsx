import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { signedName } from '../../core/task/word-actions';
import { RenameDialog } from '../rename/RenameDialog';
import { foldName } from '../../core/note/names';
import type { NameSummary } from '../../core/index/overview';
import { AgendaLists } from '../agenda/AgendaLists';
import { Sheet } from '../note/Sheet';
import { noteAddress, personAddress, tagAddress } from '../session/addresses';
import { useAppSelector } from '../session/state';

/** Everything open under a tag. */
export function TagPage() {
  const tag = useParams()['*'] ?? '';
  return <NameLists title={`#${tag}`} kicker="Tag" condition={`#${tag}`} note={null} />;
}

/** Everything open with a person, from every note. */
export function PersonPage() {
  const handle = useParams()['*'] ?? '';
  const people = useAppSelector((state) => state.library.overview?.people);
  const person = people?.find((one: NameSummary) => foldName(one.name) === foldName(handle));
  return <NameLists title={person?.fullName ?? `@${handle}`} kicker="Person" condition={`@${handle}`} note={person?.path ?? null} />;
}

interface NameListsProps {
  title: string;
  kicker: string;
  condition: string;
  /** The path of the person's own page. */
  note: string | null;
}

function NameLists({ title, kicker, condition, note }: NameListsProps) {
  const [renaming, setRenaming] = useState(false);
  const navigate = useNavigate();
  return (
    <Sheet title={title}>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">{kicker}</p>
        <div className="flex items-start justify-between gap-4">
          <h1 className="font-title text-[1.86rem] leading-tight font-bold">{title}</h1>
          <button type="button" className="quiet-button no-print mt-1" onClick={() => setRenaming(true)}>
            Rename {condition}
          </button>
        </div>
        {renaming && (
          <RenameDialog
            name={condition}
            renaming={(after) => {
              const name = signedName(after.startsWith(condition.charAt(0)) ? after : condition.charAt(0) + after);
              return name === null ? null : { is: 'name', before: condition, after: name };
            }}
            onClose={() => setRenaming(false)}
            onDone={(after) => {
              setRenaming(false);
              const bare = after.replace(/^[#@]/, '');
              void navigate(condition.startsWith('#') ? tagAddress(bare) : personAddress(bare), { replace: true });
            }}
          />
        )}
        {note !== null && (
          <p>
            <Link className="name-link" to={noteAddress(note)}>
              Open the person’s page
            </Link>
          </p>
        )}
      </header>
      <AgendaLists
        path=""
        look="page"
        gathers={[
          `title Open\nwhere open and ${condition}\ngroup by period`,
          `title Resting\nwhere resting and ${condition}\ngroup by back`,
          `title Finished in the last 14 days\nwhere done in last 14 days and ${condition}\norder by done desc`,
        ]}
      />
    </Sheet>
  );
}
