import { useState } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import { shippedPath } from '../../../core/agenda/shipped-names';
import type { NameSummary } from '../../../core/index/live/overview';
import { foldName } from '../../../core/note/names/names';
import { Foot } from '../../note/foot/Foot';
import { Sheet } from '../../note/page/Sheet';
import { PinHere } from '../../frame/rack/PinHere';
import { RenameName } from '../../note/rename/RenameName';
import { refuse } from '../../session/telling/messages';
import { useToldDone } from '../../session/acting/use-act';
import { useMadeText } from '../../session/acting/use-made-text';
import { noteAddress, personAddress, tagAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

type Of = 'tags' | 'people';

const WORDS = {
  tags: { sign: '#', kind: 'tag', title: 'Tags', kicker: 'Tag', folder: 'Tags', none: 'No note names a tag yet: write #one anywhere.' },
  people: {
    sign: '@',
    kind: 'person',
    title: 'People',
    kicker: 'Person',
    folder: 'People',
    none: 'Nobody is named yet: write @someone anywhere.',
  },
} as const;

/** The page of a tag. */
export const TagPage = () => <NamePage of="tags" />;

/** The page of a person. */
export const PersonPage = () => <NamePage of="people" />;

/** One place for a name: its note, where there is one, with what stands under it; else only that. */
function NamePage({ of }: { of: Of }) {
  const name = useParams()['*'] ?? '';
  const names = useAppSelector((state) => state.library.overview?.[of]);
  if (name === '') return <AllNames of={of} />;
  if (!names) return <Sheet title={WORDS[of].sign + name} busy />;
  const known = names.find((one: NameSummary) => foldName(one.name) === foldName(name));
  if (known?.path != null) return <Navigate to={noteAddress(known.path)} replace />;
  return <NameWithoutNote key={`${of} ${name}`} of={of} name={known?.name ?? name} isUsed={known !== undefined} />;
}

function NameWithoutNote({ of, name, isUsed }: { of: Of; name: string; isUsed: boolean }) {
  const { sign, kind, kicker } = WORDS[of];
  const [renaming, setRenaming] = useState(false);
  return (
    <Sheet title={sign + name}>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">{kicker}</p>
        <div className="flex items-start justify-between gap-4">
          <h1 className="font-title text-[1.86rem] leading-tight font-bold">{sign + name}</h1>
          <span className="mt-1 flex">
            {isUsed && (
              <button type="button" className="quiet-button no-print" onClick={() => setRenaming(true)}>
                Rename {sign + name}
              </button>
            )}
            <PinHere title={sign + name} />
          </span>
        </div>
        {renaming && <RenameName name={sign + name} leads onClose={() => setRenaming(false)} />}
        <MakePage of={of} name={name} />
      </header>
      <Foot at={sign + name} kind={kind} />
    </Sheet>
  );
}

/** What is named and has no note gets one by one press. */
function MakePage({ of, name }: { of: Of; name: string }) {
  const { actions } = useServices();
  const told = useToldDone();
  const madeText = useMadeText();
  const { sign, kind, folder } = WORDS[of];
  const make = async (): Promise<void> => {
    const made = await actions.create(folder, name.replaceAll('/', '-'), await madeText(kind, name));
    if ('refused' in made) refuse(made.refused);
    else told(`Made ${made.path}`, made.step);
  };
  return (
    <p className="no-print flex flex-wrap items-center gap-2 text-muted">
      {sign + name} has no note yet, for {of === 'tags' ? 'what it means' : 'a full name and what is to be known'}.
      <button type="button" className="line-button" onClick={() => void make()}>
        Make one
      </button>
    </p>
  );
}

/** An address without a name: all there are, with what is open. People have a page for that. */
function AllNames({ of }: { of: Of }) {
  const names = useAppSelector((state) => state.library.overview?.[of]);
  const people = shippedPath('People');
  const hasPage = useAppSelector((state) => state.library.overview?.notes.some(({ path }) => path === people));
  if (of === 'people' && hasPage) return <Navigate to={noteAddress(people)} replace />;
  const { title, sign, none } = WORDS[of];
  return (
    <Sheet title={title} busy={names === undefined}>
      <h1 className="mb-4 font-title text-[1.86rem] font-bold">{title}</h1>
      {names?.length === 0 && <p className="text-muted">{none}</p>}
      <ul>
        {names?.map(({ name, fullName, open }) => (
          <li key={name} className="flex items-baseline gap-2 py-0.5">
            <Link className="name-link" to={of === 'tags' ? tagAddress(name) : personAddress(name)}>
              {of === 'tags' ? sign + name : (fullName ?? sign + name)}
            </Link>
            <span className="text-[0.86rem] text-muted">{open > 0 ? `${open} open` : ''}</span>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
