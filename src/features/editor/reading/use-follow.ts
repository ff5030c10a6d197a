import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { baseNameOf, folderOf } from '../../../core/note/names/path';
import { lineOfHeading } from '../../note/note-headings';
import { dayAddress, itemAddress, noteAddress, personAddress, tagAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import type { FollowTarget } from './editor-context';

/** Where a note lies that a link names: in the folder that it says, else beside the note with the link. */
const folderFor = (name: string, path: string): string => (name.includes('/') ? folderOf(name) : folderOf(path));

/** Goes where a name, link or address in a note leads. A link to a note that is not there asks whether to make it. */
export function useFollow(path: string): (target: FollowTarget) => void {
  const { engine, store } = useServices();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  return useCallback(
    (target) => {
      const toNote = async (name: string, heading: string | null): Promise<void> => {
        // A link without a note is one within its own.
        const found = name === '' ? path : await engine.ask('resolve', { target: name, from: path });
        if (found === null)
          dispatch(frameSlice.actions.dialogShown({ is: 'new-note', title: baseNameOf(name), folder: folderFor(name, path) }));
        else void navigate(noteAddress(found, (await lineOfHeading(store, found, heading)) ?? undefined));
      };
      // The other page learns neither who opened it nor from where.
      if (target.is === 'address') window.open(target.url, '_blank', 'noopener,noreferrer');
      else if (target.is === 'task') void navigate(itemAddress(target.ref));
      else if (target.is === 'day') void navigate(dayAddress(target.day));
      else if (target.is === 'tag') void navigate(tagAddress(target.name));
      else if (target.is === 'person') void navigate(personAddress(target.name));
      else if (target.is === 'note') void toNote(target.name, target.heading);
    },
    [path, engine, store, navigate, dispatch],
  );
}
