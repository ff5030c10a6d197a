import { useEffect, useState } from 'react';
import type { GivenFile } from '../../../engine/files/read-given';
import { copiesIn } from '../../../store/keep/copies';
import { browserCopies } from '../../../store/keep/copy-place';
import { folderPicker } from '../../keep/copies/access';
import { joinFolder } from '../../keep/folder/join-folder';
import { momentName } from '../../keep/kept-words';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

export interface WayBack {
  words: string;
  go: () => void;
}

interface LeadsTo {
  onFiles: (files: GivenFile[]) => void;
  onJoined: () => void;
}

/** The ways to bring a desk back that this browser lost: the newest copy that lies in its file space, and a folder with which it was in step. */
export function useWaysBack(isLost: boolean, { onFiles, onJoined }: LeadsTo): WayBack[] | 'looking' {
  const { store, clock } = useServices();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const [copy, setCopy] = useState<{ at: number; file: File } | null | 'looking'>(isLost ? 'looking' : null);
  useEffect(() => {
    if (!isLost) return;
    void newestCopy()
      .catch(() => null)
      .then(setCopy);
  }, [isLost]);
  if (copy === 'looking') return copy;
  return [
    ...(copy
      ? [
          {
            words: `Bring back the copy of ${momentName(copy.at, clock.now().day, style)}`,
            go: () => onFiles([{ path: copy.file.name, file: copy.file }]),
          },
        ]
      : []),
    ...(isLost && folderPicker()
      ? [{ words: 'Join a folder again…', go: () => void joinFolder(store).then((isJoined) => isJoined && onJoined()) }]
      : []),
  ];
}

async function newestCopy(): Promise<{ at: number; file: File } | null> {
  const place = browserCopies(navigator.storage);
  const [newest] = place ? await copiesIn(place) : [];
  return place && newest ? { at: newest.at, file: new File([await place.read(newest.name)], newest.name) } : null;
}
