import { useEffect, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { earlierAddress, noteAddress, textAddress } from '../../session/places/addresses';
import { refuse } from '../../session/telling/messages';
import { frameSlice } from '../../session/state/frame-slice';
import type { NoteCommands } from '../../commands/command-desk';
import { isSealedPath } from '../../../core/note/names/path';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useToldDone } from '../../session/acting/use-act';
import { useLatest } from '../../../ui/use-latest';
import { useArchiveNote } from '../../keep/archive/use-archive-note';
import { useClearFinished } from './use-clear-finished';

/** What only the page itself can do: put the cursor into the title, and ask. Null where the note has no title of its own. */
interface Asking {
  title: (() => void) | null;
  move: (() => void) | null;
  again: () => void;
}

/** What can be done with the note on the page, for its menu; the commands and their keys do the same. */
export function useNoteRuns(path: string, title: string, asking: Asking): NoteCommands {
  const { actions, commands, seals } = useServices();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const clear = useClearFinished(path);
  const told = useToldDone();
  const hides = useAppSelector((state) => (state.frame.finished[path] ?? state.settings.finished) === 'hide');
  const shown = useAppSelector((state) => (state.settings.finished === 'hide' ? 'stay' : state.settings.finished));
  const archive = useArchiveNote(path, title);
  const kind = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === path)?.kind);
  const latest = useLatest({ asking, clear, told, hides, shown, archive, kind });
  const titled = asking.title !== null;
  const runs = useMemo((): NoteCommands => {
    const finished = (where: 'stay' | 'sink' | 'hide') => () => void dispatch(frameSlice.actions.finishedChosen({ path, finished: where }));
    const clearTo = (where: 'foot' | 'archive' | 'away') => () => void latest.current.clear(where);
    const remove = async (): Promise<void> => {
      const result = await actions.remove([path], `Deleted: ${title}`);
      if ('refused' in result) refuse(result.refused);
      else latest.current.told(`Deleted: ${title}`, result.step);
    };
    return {
      'note-as-tasks': () => {
        const isText = new URLSearchParams(window.location.search).get('view') === null;
        void navigate(isText ? noteAddress(path, undefined, 'tasks') : textAddress(path, title));
      },
      'note-stay': finished('stay'),
      'note-sink': finished('sink'),
      'note-hide': finished('hide'),
      'note-finished': () => finished(latest.current.hides ? latest.current.shown : 'hide')(),
      'note-clear-foot': clearTo('foot'),
      'note-clear-archive': clearTo('archive'),
      'note-clear-away': clearTo('away'),
      'note-again': () => latest.current.asking.again(),
      'note-seal': () => {
        if (!isSealedPath(path)) dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'notes', paths: [path], title }));
        else void import('../../sharing/seal/unseal').then(({ unseal }) => unseal(seals, [path]));
      },
      'note-earlier': () => void navigate(earlierAddress(path)),
      'note-lend': () => dispatch(frameSlice.actions.dialogShown({ is: 'lend', what: 'note', path, title })),
      'note-take-out': () =>
        dispatch(
          frameSlice.actions.dialogShown(
            latest.current.kind === 'agenda'
              ? { is: 'take-out', what: 'lists', texts: null, at: path, title, isPage: true }
              : { is: 'take-out', what: 'note', path, title },
          ),
        ),
      'note-delete': () => void remove(),
      'note-title': titled ? () => latest.current.asking.title?.() : null,
      'note-archive':
        titled && !isSealedPath(path)
          ? () => void latest.current.archive(latest.current.kind === 'archive' ? 'bring back' : 'archive')
          : null,
      'note-move': titled ? () => latest.current.asking.move?.() : null,
    };
  }, [path, title, titled, actions, seals, dispatch, navigate, latest]);
  useEffect(() => commands.hold('note', runs), [commands, runs]);
  return runs;
}
