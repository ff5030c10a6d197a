import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { baseNameOf } from '../../../core/note/names/path';
import { InSteps } from '../../../store/folder/in-step';
import { folderFailure } from '../../../store/folder/folder-failure';
import { refuse, say } from '../../session/acting/messages';
import { counted } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { FolderByHand } from './FolderByHand';
import { askAccess, folderPicker } from '../copies/access';
import {
  FOLDER_STATE,
  FOLDER_VALUE,
  FOLDER_WISH,
  type FolderState,
  type FolderWish,
  type JoinedFolder,
  readFolderState,
  readJoined,
} from './folder-state';
import { momentName } from '../kept-words';

/** The folder on the disk that is kept in step with the notes: joined, looked at, and left. */
export function FolderPart() {
  const { store } = useServices();
  const [joined, setJoined] = useState<JoinedFolder | null | 'unknown'>('unknown');
  const [state, setState] = useState<FolderState | null>(null);
  useEffect(() => {
    let gone = false;
    const read = async (): Promise<void> => {
      const [folder, told] = await Promise.all([store.value(FOLDER_VALUE), store.value(FOLDER_STATE)]);
      if (gone) return;
      setJoined(readJoined(folder));
      setState(readFolderState(told));
    };
    void read();
    const stop = store.listen({ valueChanged: (id) => void ((id === FOLDER_VALUE || id === FOLDER_STATE) && read()) });
    return () => {
      gone = true;
      stop();
    };
  }, [store]);
  if (joined === 'unknown') return null;
  return joined === null ? <NotJoined /> : <Joined folder={joined} state={state} />;
}

function NotJoined() {
  const { store } = useServices();
  const pick = folderPicker();
  const join = async (): Promise<void> => {
    try {
      const handle = await pick?.({ mode: 'readwrite', id: 'recado' });
      if (!handle) return;
      await (await InSteps.load(store.db)).forget();
      await store.setValue(FOLDER_STATE, null);
      await store.setValue(FOLDER_VALUE, { handle, name: handle.name });
      say(`“${handle.name}” is joined: its notes come in, and yours go out.`);
    } catch (error) {
      // Whoever closes the choice wants nothing.
      if (!(error instanceof DOMException && error.name === 'AbortError'))
        refuse(`The folder could not be joined. ${folderFailure(error)}`);
    }
  };
  return (
    <>
      <p className="mb-2 text-muted">
        A folder on the disk can hold the notes as plain Markdown files, the same on both sides: other programs read and write them, and
        whatever keeps the folder the same on several computers makes them share this desk.
      </p>
      {pick ? (
        <button type="button" className="line-button" onClick={() => void join()}>
          Join a folder…
        </button>
      ) : (
        <FolderByHand />
      )}
    </>
  );
}

const SAYS: Record<FolderState['is'], string> = {
  'in step': 'is in step',
  looking: 'is read for the first time',
  asleep: 'waits: the browser asks for your access again after a restart',
  away: 'cannot be read now',
};

function Joined({ folder, state }: { folder: JoinedFolder; state: FolderState | null }) {
  const { store } = useServices();
  const { day: today } = useNow();
  const style = useAppSelector((one) => one.settings.dateStyle);
  const wish = (wanted: FolderWish): void => void store.setValue(FOLDER_WISH, { wish: wanted, at: Date.now() });
  const wake = async (): Promise<void> => {
    if (await askAccess(folder.handle)) wish('look');
    else refuse('The browser gives no access to the folder.');
  };
  const leave = async (): Promise<void> => {
    await store.setValue(FOLDER_VALUE, null);
    await (await InSteps.load(store.db)).forget();
    say(`“${folder.name}” is left. Its files and your notes stay as they are.`);
  };
  return (
    <>
      <p role="status">
        <strong className="font-semibold">{folder.name}</strong> {state ? SAYS[state.is] : 'is joined'}
        {state?.is === 'in step' && `, looked at ${momentName(state.at, today, style)}`}.{state?.why && ` ${state.why}`}
        {state?.did && <span className="block text-muted">Last: {state.did}.</span>}
      </p>
      {state !== null && state.asks > 0 && (
        <div role="alert" className="my-2 rounded-md bg-late-soft px-3 py-2">
          <p>
            {counted(state.asks, 'file')} that stood in the folder are gone. Perhaps its disk is only away; if they were removed, their
            notes go too, and stand among the deleted ones.
          </p>
          <p className="mt-1 flex flex-wrap gap-2">
            <button type="button" className="line-button" onClick={() => wish('remove')}>
              Remove the notes
            </button>
            <button type="button" className="line-button" onClick={() => wish('write back')}>
              Write the files again
            </button>
          </p>
        </div>
      )}
      {state !== null && state.beside.length > 0 && (
        <Listed
          title={`${counted(state.beside.length, 'note')} changed on both sides in the same lines`}
          places={state.beside.map(({ path, other }) => ({ path: other, why: `what the file of ${baseNameOf(path)} said` }))}
          leads
        />
      )}
      {state !== null && state.failed.length > 0 && (
        <Listed title={`${counted(state.failed.length, 'file')} could not be written or read, and are tried again`} places={state.failed} />
      )}
      {state !== null && state.ignored.length > 0 && (
        <Listed title={`${counted(state.ignored.length, 'file')} ignored`} places={state.ignored} />
      )}
      <p className="mt-2 flex flex-wrap gap-2">
        {state?.is === 'asleep' ? (
          <button type="button" className="solid-button" onClick={() => void wake()}>
            Give access again
          </button>
        ) : (
          <button type="button" className="line-button" onClick={() => wish('look')}>
            Look now
          </button>
        )}
        <button type="button" className="line-button" onClick={() => void leave()}>
          Leave the folder
        </button>
      </p>
    </>
  );
}

interface ListedProps {
  title: string;
  places: readonly { path: string; why: string }[];
  /** Whether the paths are notes. */
  leads?: boolean;
}

function Listed({ title, places, leads = false }: ListedProps) {
  return (
    <details className="my-1">
      <summary className="cursor-pointer">{title}</summary>
      <ul className="ms-4 max-h-48 overflow-auto text-[0.9rem] text-muted [overflow-wrap:anywhere]">
        {places.map(({ path, why }) => (
          <li key={path}>
            {leads ? (
              <Link className="name-link" to={noteAddress(path)}>
                {path}
              </Link>
            ) : (
              path
            )}
            : {why}
          </li>
        ))}
      </ul>
    </details>
  );
}
