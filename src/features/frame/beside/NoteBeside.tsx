import { Link } from 'react-router';
import { baseNameOf } from '../../../core/note/names/path';
import { LazyNoteEditor } from '../../editor/LazyNoteEditor';
import { OtherText } from '../../note/clashes/OtherText';
import { useFollowed } from '../../note/use-followed';
import { useStoredNote } from '../../note/use-stored-note';
import { noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';

/** A note kept open beside the page, to be read and written in while another is in the middle. */
export function NoteBeside({ path, here }: { path: string; here: string | null }) {
  const dispatch = useAppDispatch();
  const { key, follows } = useFollowed(path);
  const stored = useStoredNote(path, {
    key,
    follows: (to) => {
      follows(to);
      dispatch(frameSlice.actions.besideChosen({ is: 'text', path: to }));
    },
  });
  if (path === here) return <p className="text-muted">This note is in the middle now. Go to another, and it can be written in here.</p>;
  if (stored.is === 'loading') return null;
  if (stored.is === 'absent') return <p className="text-muted">“{baseNameOf(path)}” is gone: it was deleted, or moved elsewhere.</p>;
  if ('bytes' in stored.content) return <p className="text-muted">“{baseNameOf(path)}” is no text, so it cannot be written in.</p>;
  return (
    <div className="rounded-lg bg-sheet px-3 py-2.5">
      <Link to={noteAddress(stored.path)} className="name-link text-[0.86rem] text-muted">
        Show it in the middle
      </Link>
      <OtherText path={stored.path} />
      <LazyNoteEditor
        key={key}
        path={stored.path}
        title={baseNameOf(stored.path)}
        stored={stored.content.text}
        line={null}
        autoFocus={false}
        beside
        placeholder="Write. A line that begins with - [ ] is a task."
        onRemoved={() => undefined}
      />
    </div>
  );
}
