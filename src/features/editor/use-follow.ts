import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { lineOfHeading } from '../note/note-headings';
import { noteAddress, personAddress, tagAddress } from '../session/addresses';
import { useServices } from '../session/services';
import type { FollowTarget } from './editor-context';

/** Goes where a name, link or address in a note leads. */
export function useFollow(path: string): (target: FollowTarget) => void {
  const { engine, store } = useServices();
  const navigate = useNavigate();
  return useCallback(
    (target) => {
      const toNote = async (name: string, heading: string | null): Promise<void> => {
        // A link without a note is one within its own.
        const found = name === '' ? path : await engine.resolve(name, path);
        if (found === null) toast(`There is no note “${name}” yet.`);
        else void navigate(noteAddress(found, (await lineOfHeading(store, found, heading)) ?? undefined));
      };
      // The other page learns neither who opened it nor from where.
      if (target.is === 'address') window.open(target.url, '_blank', 'noopener,noreferrer');
      else if (target.is === 'tag') void navigate(tagAddress(target.name));
      else if (target.is === 'person') void navigate(personAddress(target.name));
      else if (target.is === 'note') void toNote(target.name, target.heading);
    },
    [path, engine, store, navigate],
  );
}
