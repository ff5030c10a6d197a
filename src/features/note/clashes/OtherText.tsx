import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { baseNameOf, foldPath } from '../../../core/note/names/path';
import { otherTextOf } from '../../../store/texts/other-text';
import { noteAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';
import { late } from '../../../ui/late';

const CompareDialog = late(() => import('./CompareDialog').then((module) => module.CompareDialog));

/** Says that a note was written in two places at once and both texts are kept, and lets one choose between them. */
export function OtherText({ path }: { path: string }) {
  const [comparing, setComparing] = useState(false);
  const navigate = useNavigate();
  const of = otherTextOf(path);
  const key = foldPath(of ?? path);
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const pair = useMemo(
    () => notes?.find((note) => (of === null ? isOtherTextOf(note.path, key) : foldPath(note.path) === key))?.path ?? null,
    [notes, of, key],
  );
  if (pair === null) return null;
  const [note, other] = of === null ? [path, pair] : [pair, path];
  return (
    <div role="status" className="no-print mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 rounded-md bg-sun-soft px-3 py-1.5">
      <span>
        {of === null
          ? 'This note was written in two places at once. Both texts are kept.'
          : `This is the other text of “${baseNameOf(note)}”, written at the same time.`}
      </span>
      <button type="button" className="line-button" onClick={() => setComparing(true)}>
        Compare and choose
      </button>
      {comparing && (
        <CompareDialog
          path={note}
          otherPath={other}
          onClose={() => setComparing(false)}
          onChosen={() => {
            if (of !== null) void navigate(noteAddress(note));
          }}
        />
      )}
    </div>
  );
}

// Most paths are told by their letters alone.
const isOtherTextOf = (path: string, key: string): boolean => path.includes('(other text)') && foldPath(otherTextOf(path) ?? '') === key;
