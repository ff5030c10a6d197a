import { InSteps } from '../../../store/folder/in-step';
import { refuse, say } from '../../session/telling/messages';
import { useServices } from '../../session/state/services';
import { FolderByHand } from './FolderByHand';
import { askAccess, folderPicker } from '../copies/access';
import { joinFolder } from './join-folder';
import { StepReport } from './StepReport';
import { FOLDER, type JoinedFolder, type StepState, type StepWish, readJoined } from './step-state';
import { useStepPlace } from './use-step-place';

/** The folder on the disk that is kept in step with the notes: joined, looked at, and left. */
export function FolderPart() {
  const { place: joined, state, wish } = useStepPlace(FOLDER, readJoined);
  if (joined === 'unknown') return null;
  return joined === null ? <NotJoined /> : <Joined folder={joined} state={state} wish={wish} />;
}

function NotJoined() {
  const { store } = useServices();
  return (
    <>
      <p className="mb-2 text-muted">
        A folder on the disk can hold the notes as plain Markdown files, the same on both sides: other programs read and write them, and
        whatever keeps the folder the same on several computers makes them share this desk.
      </p>
      {folderPicker() ? (
        <button type="button" className="line-button" onClick={() => void joinFolder(store)}>
          Join a folder…
        </button>
      ) : (
        <FolderByHand />
      )}
    </>
  );
}

interface JoinedProps {
  folder: JoinedFolder;
  state: StepState | null;
  wish: (wanted: StepWish) => void;
}

function Joined({ folder, state, wish }: JoinedProps) {
  const { store } = useServices();
  const wake = async (): Promise<void> => {
    if (await askAccess(folder.handle)) wish('look');
    else refuse('The browser gives no access to the folder.');
  };
  const leave = async (): Promise<void> => {
    await store.setValue(FOLDER.value, null);
    await (await InSteps.load(store.db)).forget();
    say(`“${folder.name}” is left. Its files and your notes stay as they are.`);
  };
  return (
    <>
      <StepReport name={folder.name} state={state} wish={wish} asleep="waits: the browser asks for your access again after a restart" />
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
