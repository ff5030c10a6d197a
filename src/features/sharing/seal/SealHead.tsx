import { Fragment } from 'react';
import { Link } from 'react-router';
import { foldPath } from '../../../core/note/names/path';
import { folderAddress, helpAddress } from '../../session/places/addresses';
import { refuse, say } from '../../session/telling/messages';
import { counted } from '../../session/acting/use-act';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import { isOpenSeal, useSeals } from './use-seals';
import { whyFailed } from '../../session/telling/why-failed';

/** On the page of a seal: how it stands in one sentence, and what can be done with it. */
export function SealHead({ path }: { path: string }) {
  const dispatch = useAppDispatch();
  const { seals } = useServices();
  const state = useSeals();
  const seal = state.seals.find((one) => foldPath(one.path) === foldPath(path)) ?? null;
  if (seal === null)
    return (
      <p role="status" className="mb-2 rounded-md bg-late-soft px-3 py-1.5 text-late">
        The key of this seal is not here whole, so it opens nothing. An earlier text of this note may have it. Seals lie in the folder
        Seals.
      </p>
    );
  const isOpen = isOpenSeal(state, seal);
  const notes = Object.values(state.by).filter((one) => foldPath(one) === foldPath(path)).length;
  const leave = async (folder: string): Promise<void> => {
    try {
      await (
        await seals.open()
      ).changeFolders(
        seal,
        seal.folders.filter((one) => one !== folder),
      );
      say(`What comes into “${folder}” from now on is not sealed; what is sealed there stays so.`);
    } catch (error) {
      refuse(whyFailed(error));
    }
  };
  return (
    <div className="mb-3 text-[0.95rem]">
      <p>
        This seal is <strong className="font-semibold">{isOpen ? 'open' : 'closed'}</strong> in this tab. It sealed {counted(notes, 'note')}{' '}
        here
        {seal.folders.map((folder) => (
          <Fragment key={folder}>
            , and all of{' '}
            <Link className="name-link" to={folderAddress(folder)}>
              {folder}
            </Link>{' '}
            <button type="button" className="quiet-button px-1 py-0 text-[0.86rem]" onClick={() => void leave(folder)}>
              no more
            </button>
          </Fragment>
        ))}
        . Titles are {seal.titles} while it is closed.
      </p>
      <p className="no-print mt-2 flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="line-button"
          onClick={() =>
            isOpen
              ? void seals.opened?.close(seal.path)
              : dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'open', seal: seal.path }))
          }
        >
          {isOpen ? 'Close it' : 'Open it…'}
        </button>
        <button
          type="button"
          className="line-button"
          onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'passphrase', seal: seal.path }))}
        >
          Another passphrase…
        </button>
        <Link className="name-link text-[0.86rem]" to={helpAddress('sealed')}>
          What is sealed, and what is not
        </Link>
      </p>
    </div>
  );
}
