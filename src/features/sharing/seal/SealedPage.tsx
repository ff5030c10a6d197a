import { Link } from 'react-router';
import { baseNameOf } from '../../../core/note/names/path';
import { hidesTitle } from '../../../core/sharing/seal/sealed-names';
import { Sheet } from '../../note/page/Sheet';
import { earlierAddress, helpAddress, noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import { isOpenSeal, sealOfNote, useSeals } from './use-seals';

/** A sealed note that cannot be read now: its seal is closed, or its file is damaged. */
export function SealedPage({ path }: { path: string }) {
  const dispatch = useAppDispatch();
  const { seals } = useServices();
  const state = useSeals();
  const seal = sealOfNote(state, path);
  const damage = seals.opened?.damage(path) ?? null;
  const title = hidesTitle(path) ? 'A sealed note' : baseNameOf(path);
  const isOpen = seal !== null && isOpenSeal(state, seal);
  const open = (): void => void dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'open', path }));
  return (
    <Sheet title={title}>
      <h1 className="font-title text-[1.86rem] font-bold">{title}</h1>
      {damage === null && !isOpen && (
        <>
          <p className="mt-2 text-muted">
            This note is sealed{seal ? ` by “${seal.name}”` : ''}, and its seal is closed. What it says stands in no list and is found by
            nothing.
          </p>
          {state.seals.length > 0 ? (
            <button type="button" className="solid-button mt-4" autoFocus onClick={open}>
              Open it…
            </button>
          ) : (
            <p role="status" className="mt-4 rounded-md bg-sun-soft px-3 py-1.5">
              There is no seal here. It comes with the folder Seals of where this note comes from; without it nobody can read the note.
            </p>
          )}
        </>
      )}
      {(damage !== null || isOpen) && (
        <div role="status" className="mt-2 rounded-md bg-late-soft px-3 py-2">
          <p>
            {damage ?? 'No seal that is open here opens this note: it was sealed by another, or its file was changed.'} Nothing of it is
            shown, and nothing of it is changed.
          </p>
          <p className="mt-1">
            <Link className="name-link" to={earlierAddress(path)}>
              Its earlier texts
            </Link>{' '}
            may hold it whole.
          </p>
        </div>
      )}
      <p className="mt-4 text-[0.9rem] text-muted">
        {seal && (
          <>
            <Link className="name-link" to={noteAddress(seal.path)}>
              The seal
            </Link>
            {' · '}
          </>
        )}
        <Link className="name-link" to={helpAddress('sealed')}>
          What is sealed, and what is not
        </Link>
      </p>
    </Sheet>
  );
}
