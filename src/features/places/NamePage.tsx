import { personText } from '../../core/template/person-text';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { refuse } from '../session/acting/messages';
import { signedName } from '../../core/task/acts/word-actions';
import { LazyRenameDialog as RenameDialog } from '../rename/LazyRenameDialog';
import { foldName } from '../../core/note/names/names';
import type { NameSummary } from '../../core/index/live/overview';
import { AgendaLists } from '../agenda/AgendaLists';
import { Sheet } from '../note/Sheet';
import { noteAddress, personAddress, tagAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useToldDone } from '../session/acting/use-act';

/** Everything open under a tag. */
export function TagPage() {
  const tag = useParams()['*'] ?? '';
  if (tag === '') return <AllNames of="tags" />;
  return <NameLists title={`#${tag}`} kicker="Tag" condition={`#${tag}`} note={null} />;
}

/** Everything open with a person, from every note. */
export function PersonPage() {
  const handle = useParams()['*'] ?? '';
  const people = useAppSelector((state) => state.library.overview?.people);
  const person = people?.find((one: NameSummary) => foldName(one.name) === foldName(handle));
  if (handle === '') return <AllNames of="people" />;
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
            rule="Letters and digits, at least one letter, with a single - or / or . between them; no spaces."
            onClose={() => setRenaming(false)}
            onDone={(after) => {
              setRenaming(false);
              const bare = after.replace(/^[#@]/, '');
              void navigate(condition.startsWith('#') ? tagAddress(bare) : personAddress(bare), { replace: true });
            }}
          />
        )}
        {note !== null ? (
          <p>
            <Link className="name-link" to={noteAddress(note)}>
              Open the person’s page
            </Link>
          </p>
        ) : (
          condition.startsWith('@') && <MakePage handle={condition.slice(1)} />
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

/** Somebody who is named and has no page gets one by one press. */
function MakePage({ handle }: { handle: string }) {
  const { actions } = useServices();
  const told = useToldDone();
  const make = async (): Promise<void> => {
    const made = await actions.create('People', handle, personText(handle));
    if ('refused' in made) refuse(made.refused);
    else told(`Made ${made.path}`, made.step);
  };
  return (
    <p className="no-print flex flex-wrap items-center gap-2 text-muted">
      @{handle} has no page yet, for a full name and notes.
      <button type="button" className="line-button" onClick={() => void make()}>
        Make a page
      </button>
    </p>
  );
}

/** An address without a name: all there are, with what is open. */
function AllNames({ of }: { of: 'tags' | 'people' }) {
  const names = useAppSelector((state) => state.library.overview?.[of]);
  const title = of === 'tags' ? 'Tags' : 'People';
  return (
    <Sheet title={title} busy={names === undefined}>
      <h1 className="mb-4 font-title text-[1.86rem] font-bold">{title}</h1>
      {names?.length === 0 && (
        <p className="text-muted">
          {of === 'tags' ? 'No note names a tag yet: write #one anywhere.' : 'Nobody is named yet: write @someone anywhere.'}
        </p>
      )}
      <ul>
        {names?.map(({ name, fullName, open }) => (
          <li key={name} className="flex items-baseline gap-2 py-0.5">
            <Link className="name-link" to={of === 'tags' ? tagAddress(name) : personAddress(name)}>
              {of === 'tags' ? `#${name}` : (fullName ?? `@${name}`)}
            </Link>
            <span className="text-[0.86rem] text-muted">{open > 0 ? `${open} open` : ''}</span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
