import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { liesIn } from '../../core/note/names/path';
import type { Taken } from '../../engine/files/take-out';
import { Choice } from '../../ui/form/Choice';
import { Sheet } from '../note/page/Sheet';
import { SheetPart } from '../note/page/SheetPart';
import { useFolders } from '../note/making/use-folders';
import { counted } from '../session/acting/use-act';
import { helpAddress, keepAddress, lentAddress, outsideAddress } from '../session/places/addresses';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { CalendarFeed } from './feed/CalendarFeed';
import { TakeOut } from './out/TakeOut';

/** The one place for files: what comes in, what goes out, and what of it others may look at. */
export function FilesPage() {
  const dispatch = useAppDispatch();
  return (
    <Sheet title="Files">
      <header className="mb-5">
        <h1 className="font-title text-[1.86rem] leading-tight font-bold">Files</h1>
        <p className="text-muted">
          Everything here can leave in open formats, and come from them. A note, a list or what stands at the cursor goes out by its own
          menu.{' '}
          <Link className="name-link" to={helpAddress('files')}>
            What each format holds
          </Link>
        </p>
      </header>
      <SheetPart title="Bring in">
        <p className="mb-2">Notes, outlines, calendars, tables and address books. You see what they come to before anything changes.</p>
        <button type="button" className="solid-button" onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'import' }))}>
          Bring in files…
        </button>
      </SheetPart>
      <SheetPart title="Take out">
        <TakeManyOut />
      </SheetPart>
      <SheetPart title="A calendar for other programs">
        <CalendarFeed />
      </SheetPart>
      <SheetPart title="Outside lists">
        <p>
          A task list that is kept elsewhere can be kept in step from here:{' '}
          <Link className="name-link" to={outsideAddress()}>
            outside lists
          </Link>
          .
        </p>
      </SheetPart>
      <SheetPart title="Lending">
        <p>
          A task, a section, a note or a list is lent to others by an address, from its own menu:{' '}
          <Link className="name-link" to={lentAddress()}>
            what is lent out
          </Link>
          .
        </p>
      </SheetPart>
      <SheetPart title="Copies">
        <p>
          Copies of everything are made by themselves, and a folder on disk can be kept the same:{' '}
          <Link className="name-link" to={keepAddress()}>
            what is kept
          </Link>
          .
        </p>
      </SheetPart>
    </Sheet>
  );
}

type What = 'all' | 'folder' | 'set-up';

function TakeManyOut() {
  const overview = useAppSelector((state) => state.library.overview);
  const folders = useFolders();
  const [what, setWhat] = useState<What>('all');
  const [folder, setFolder] = useState(folders[0] ?? '');
  const chosen = folders.includes(folder) ? folder : (folders[0] ?? '');
  const taken = useMemo((): Taken => (what === 'folder' ? { is: 'folder', folder: chosen } : { is: what }), [what, chosen]);
  if (!overview) return <p role="status">Reading notes…</p>;
  const count = overview.notes.filter(({ path }) => what !== 'folder' || liesIn(path, chosen)).length;
  return (
    <div className="grid gap-3">
      <Choice
        label="What"
        value={what}
        options={[
          ['all', 'Everything'],
          ...(folders.length > 0 ? ([['folder', 'A folder']] satisfies [What, string][]) : []),
          ['set-up', 'The set-up alone'],
        ]}
        onChoose={setWhat}
      />
      {what === 'folder' && (
        <select
          className="field w-auto justify-self-start"
          aria-label="Folder"
          value={chosen}
          onChange={(event) => setFolder(event.target.value)}
        >
          {folders.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      )}
      <TakeOut key={what} taken={taken} first="markdown" says={SAYS[what](count)} isOne={false} />
    </div>
  );
}

const SAYS: Record<What, (count: number) => string> = {
  all: (count) =>
    `${counted(count, 'note')} with every task, closed and resting ones too. Markdown is a zip, which holds the settings and earlier texts as well.`,
  folder: (count) => `${counted(count, 'note')}, with what lies in folders under it. Markdown is a zip.`,
  'set-up': () => 'Agenda pages, templates, slips, statuses and the settings, for another desk: none of your notes, none of your tasks.',
};
