import { keyName } from '../../commands/command';
import { useCommandKeys } from '../../commands/use-key-of';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { counted } from '../../session/acting/use-act';

/** Says how many lines of a note are finished and whether they show; a press changes it. */
export function FinishedSwitch({ path }: { path: string }) {
  const count = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === path)?.closed ?? 0);
  const hides = useAppSelector((state) => (state.frame.finished[path] ?? state.settings.finished) === 'hide');
  const shown = useAppSelector((state) => (state.settings.finished === 'hide' ? 'stay' : state.settings.finished));
  const dispatch = useAppDispatch();
  const key = keyName(useCommandKeys().get('note-finished') ?? '');
  if (count === 0) return null;
  return (
    <button
      type="button"
      className="quiet-button -ms-2 text-[0.86rem]"
      aria-pressed={!hides}
      title={`${hides ? 'Show them' : 'Put them out of sight'}${key === '' ? '' : ` (${key})`}`}
      onClick={() => dispatch(frameSlice.actions.finishedChosen({ path, finished: hides ? shown : 'hide' }))}
    >
      {counted(count, 'finished line')} {hides ? 'out of sight' : count === 1 ? 'shows' : 'show'}
    </button>
  );
}
