import { ChevronDown, ChevronRight } from 'lucide-react';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { foldPath, isSealedPath } from '../../../core/note/names/path';
import type { NoteSummary } from '../../../core/index/live/overview';
import { useWindow } from '../../../ui/window/use-window';
import { MoreMenu } from '../../../ui/menu/MoreMenu';
import { MenuEntry } from '../../../ui/menu/menu';
import { folderAddress, noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { LENT_MARKS } from '../../session/state/lent-marks';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useToldValue } from '../../session/asked/use-told-value';
import { useSeals } from '../../sharing/seal/use-seals';
import { late } from '../../../ui/late';
import { Entry } from './RackEntry';
import { RenameFolder } from './RenameFolder';
import { isHere } from '../../session/places/route-clicks';
import { type Folder, type TreeLine, folderTree, treeLines } from './folder-tree';

/** Few seal anything. */
const SealedLine = late(() => import('../../sharing/seal/SealedLine').then((part) => part.SealedLine));

/** What a line takes, in pixels. */
const HEIGHT = 26;
const heightOf = (): number => HEIGHT;
const keyOfLine = (line: TreeLine): string => (line.is === 'folder' ? `folder ${line.folder.path}` : `note ${line.note.path}`);

/** The notes in their folders. Of a large library only what is in sight is drawn. */
export function NoteTree({ notes }: { notes: readonly NoteSummary[] }) {
  const toggled = useAppSelector((state) => state.frame.foldersClosed);
  const list = useRef<HTMLDivElement>(null);
  const lent = useToldValue(LENT_MARKS);
  const seals = useSeals();
  const tree = useMemo(() => folderTree(notes), [notes]);
  const lines = useMemo(() => {
    const others = new Set(toggled);
    // The journal has a page a day, which the day row reaches better: it begins closed.
    return treeLines(tree, ({ path }) => others.has(path) === (path === 'Journal'));
  }, [tree, toggled]);
  const keyOf = useCallback((index: number) => keyOfLine(lines[index] as TreeLine), [lines]);
  const { pathname } = useLocation();
  const { from, to, before, behind } = useWindow(list, lines.length, keyOf, heightOf);
  return (
    <div ref={list}>
      {before > 0 && <div style={{ height: before }} aria-hidden="true" />}
      {lines.slice(from, to).map((line, place) => (
        <div key={keyOfLine(line)} data-index={from + place} className="relative">
          {line.is === 'folder' ? (
            <FolderLine folder={line.folder} depth={line.depth} open={line.open} />
          ) : (
            <NoteEntry
              note={line.note}
              depth={line.depth}
              pathname={pathname}
              isLent={lent !== undefined && lent.notes.size > 0 && lent.notes.has(foldPath(line.note.path))}
            />
          )}
        </div>
      ))}
      {behind > 0 && <div style={{ height: behind }} aria-hidden="true" />}
      {seals.notes > 0 && <SealedLine />}
    </div>
  );
}

function NoteEntry({ note, depth, pathname, isLent }: { note: NoteSummary; depth: number; pathname: string; isLent: boolean }) {
  const to = noteAddress(note.path);
  return (
    <Entry
      to={to}
      words={note.title}
      count={note.open}
      indent={depth * 12}
      isLent={isLent}
      isSealed={isSealedPath(note.path)}
      here={isHere(to, pathname)}
    />
  );
}

function FolderLine({ folder, depth, open }: { folder: Folder; depth: number; open: boolean }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [renaming, setRenaming] = useState(false);
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        className="peer flex min-h-[26px] w-full items-center gap-1 rounded-md px-2 text-start hover:bg-raised"
        style={{ paddingInlineStart: `${8 + depth * 12}px` }}
        onClick={() => dispatch(frameSlice.actions.folderToggled(folder.path))}
      >
        {open ? (
          <ChevronDown size={12} aria-hidden="true" className="-ms-1 flex-none text-muted" />
        ) : (
          <ChevronRight size={12} aria-hidden="true" className="-ms-1 flex-none text-muted" />
        )}
        <span className="min-w-0 flex-1 truncate">{folder.name}</span>
        <span className="text-[0.82rem] text-muted tabular-nums">{folder.open || ''}</span>
      </button>
      <span className="absolute end-7 top-0 z-10 opacity-0 peer-hover:opacity-100 hover:opacity-100 focus-within:opacity-100 has-[[data-state=open]]:opacity-100">
        <MoreMenu label={`Actions for the folder ${folder.name}`} small>
          <MenuEntry label="Open as a page" onSelect={() => void navigate(folderAddress(folder.path))} />
          <MenuEntry
            label="New note in it…"
            onSelect={() => dispatch(frameSlice.actions.dialogShown({ is: 'new-note', folder: folder.path }))}
          />
          <MenuEntry
            label="Seal the folder…"
            onSelect={() => dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'folder', folder: folder.path }))}
          />
          <MenuEntry label="Rename the folder…" onSelect={() => setRenaming(true)} />
        </MoreMenu>
      </span>
      {renaming && <RenameFolder path={folder.path} onClose={() => setRenaming(false)} onDone={() => undefined} />}
    </>
  );
}
