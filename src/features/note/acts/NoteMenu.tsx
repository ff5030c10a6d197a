import { useState } from 'react';
import { useAppSelector } from '../../session/state/state';
import { MoreMenu } from '../../../ui/menu/MoreMenu';
import { MenuChoice, MenuChoices, MenuEntry, MenuInside, MenuLine } from '../../../ui/menu/menu';
import type { Overview } from '../../../core/index/live/overview';
import { isSealedPath } from '../../../core/note/names/path';
import { PinEntry } from '../../frame/rack/PinEntry';
import { CopyLinkEntries } from './CopyLinkEntries';
import { useNewMeeting } from '../../meeting/making/use-new-meeting';
import { useNoteRuns } from './use-note-runs';
import { late } from '../../../ui/late';

const MoveDialog = late(() => import('../making/MoveDialog').then((part) => part.MoveDialog));
const ResetDialog = late(() => import('./ResetDialog').then((part) => part.ResetDialog));
const DigestEntries = late(() => import('../../meeting/digest/DigestEntries').then((part) => part.DigestEntries));
const NoteEntry = late(() => import('../../sharing/outside/NoteEntry').then((part) => part.NoteEntry));
const FileEntries = late(() => import('./FileEntries').then((part) => part.FileEntries));
const RenameName = late(() => import('../rename/RenameName').then((part) => part.RenameName));

const FINISHED = [
  ['stay', 'stay where they are'],
  ['sink', 'go to the end of their list'],
  ['hide', 'are out of sight'],
] as const;

interface NoteMenuProps {
  path: string;
  title: string;
  /** Puts the cursor into the title; null for a day, whose title and place are its date. */
  onRename: (() => void) | null;
}

/** What can be done with a note, as a menu; its commands and their keys do the same. */
export function NoteMenu({ path, title, onRename }: NoteMenuProps) {
  const [moving, setMoving] = useState(false);
  const [resetting, setResetting] = useState(false);
  const [naming, setNaming] = useState(false);
  const name = useAppSelector((state) => nameOf(state.library.overview, path));
  const kind = useAppSelector((state) => state.library.overview?.notes.find((one) => one.path === path)?.kind);
  const isMet = kind === 'person' || kind === 'project' || kind === 'goal';
  const newMeeting = useNewMeeting();
  const finished = useAppSelector((state) => state.frame.finished[path] ?? state.settings.finished);
  const runs = useNoteRuns(path, title, {
    title: onRename,
    move: onRename && (() => setMoving(true)),
    again: () => setResetting(true),
  });
  return (
    <>
      <MoreMenu label="Actions for this note">
        {onRename && <MenuEntry label="Its tasks alone, on the whole sheet" onSelect={runs['note-as-tasks']} />}
        <MenuInside label="Finished lines">
          <MenuChoices value={finished}>
            {FINISHED.map(([value, label]) => (
              <MenuChoice key={value} value={value} label={label} onSelect={runs[`note-${value}`]} />
            ))}
          </MenuChoices>
          <MenuLine />
          <MenuEntry label="Clear them: under a heading at the foot" onSelect={runs['note-clear-foot']} />
          <MenuEntry label="Clear them: to the archive" onSelect={runs['note-clear-archive']} />
          <MenuEntry label="Clear them: away" danger onSelect={runs['note-clear-away']} />
        </MenuInside>
        {kind === 'meeting' && <DigestEntries path={path} title={title} />}
        {isMet && <MenuEntry label="New meeting" onSelect={() => void newMeeting()} />}
        <MenuEntry label="Untick its lists for a new round…" onSelect={runs['note-again']} />
        <NoteEntry path={path} />
        <MenuLine />
        <PinEntry title={title} />
        {runs['note-archive'] && (
          <MenuEntry label={kind === 'archive' ? 'Bring the note back' : 'Archive the note'} onSelect={runs['note-archive']} />
        )}
        {runs['note-move'] && <MenuEntry label="Move to a folder…" onSelect={runs['note-move']} />}
        <MenuInside label="Copy a link">
          <CopyLinkEntries path={path} title={title} />
        </MenuInside>
        {name !== null && <MenuEntry label={`Rename ${name} everywhere…`} onSelect={() => setNaming(true)} />}
        <MenuEntry label="Earlier texts" onSelect={runs['note-earlier']} />
        <MenuEntry label={isSealedPath(path) ? 'Take out of its seal' : 'Seal…'} onSelect={() => runs['note-seal']?.()} />
        <FileEntries path={path} onTakeOut={runs['note-take-out']} onLend={isSealedPath(path) ? null : runs['note-lend']} />
        <MenuEntry label="Delete" danger onSelect={runs['note-delete']} />
      </MoreMenu>
      {resetting && <ResetDialog path={path} onClose={() => setResetting(false)} />}
      {naming && name !== null && <RenameName name={name} leads={false} onClose={() => setNaming(false)} />}
      {onRename && moving && <MoveDialog path={path} open onClose={() => setMoving(false)} />}
    </>
  );
}

/** The tag or person whose page a note is, with its sign; null for other notes. */
function nameOf(overview: Overview | null, path: string): string | null {
  const person = overview?.people.find((one) => one.path === path);
  const tag = overview?.tags.find((one) => one.path === path);
  return person ? `@${person.name}` : tag ? `#${tag.name}` : null;
}
