import { Command as Menu } from 'cmdk';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { Dialog } from '../../ui/Dialog';
import { findAddress, noteAddress } from '../session/places/addresses';
import { frameSlice } from '../session/state/frame-slice';
import { notesNamed } from '../session/state/notes-named';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { type Command, keyName } from './command';
import { matchNamed } from './match-words';
import { useJumps } from './use-jumps';

interface CommandMenuProps {
  open: boolean;
  commands: readonly Command[];
  onClose: () => void;
}

/** Every command with its key, and every note, found by typing part of its name. */
export function CommandMenu({ open, commands, onClose }: CommandMenuProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const chosen = useRef<(() => void) | null>(null);
  const close = (): void => {
    setTyped('');
    onClose();
  };
  const recent = useAppSelector((state) => state.frame.recent);
  // What was opened last stands first.
  const inOrder = useMemo(() => {
    const last = new Set(recent);
    const opened = new Map(notes?.flatMap((note) => (last.has(note.path) ? [[note.path, note]] : [])));
    return [...recent.flatMap((path) => opened.get(path) ?? []), ...(notes ?? []).filter(({ path }) => !last.has(path))];
  }, [notes, recent]);
  const found = useMemo(() => notesNamed(inOrder, typed), [inOrder, typed]);
  const jumps = useJumps(typed);
  const wanted = typed.trim();
  // What a note is called means the note, even where it names a day or begins a command: the library orders only within a group.
  const isTitle = notes?.some(({ title }) => title.toLowerCase() === wanted.toLowerCase()) ?? false;
  const dispatch = useAppDispatch();
  const namedCommands = (
    <Menu.Group key="commands" heading={<span className="menu-label">Commands</span>}>
      {commands
        .filter((command) => !command.isPlace && (command.when?.() ?? true))
        .map((command) => (
          <Menu.Item
            key={command.id}
            value={command.title}
            className="menu-item justify-between"
            onSelect={() => {
              // It may need the focus where it was before, or take it elsewhere.
              chosen.current = command.run;
              close();
            }}
          >
            {command.title}
            {command.key !== null && (
              <kbd className="rounded bg-raised px-1.5 font-mono text-[0.78rem] text-muted">{keyName(command.key)}</kbd>
            )}
          </Menu.Item>
        ))}
    </Menu.Group>
  );
  const namedNotes = (
    <Menu.Group key="notes" heading={<span className="menu-label">Notes</span>}>
      {found.map((note) => (
        <Menu.Item
          key={note.path}
          value={`${note.title} ${note.path}`}
          keywords={[note.title]}
          className="menu-item justify-between"
          onSelect={() => {
            close();
            void navigate(noteAddress(note.path));
          }}
        >
          <span className="truncate">{note.title}</span>
          <span className="truncate text-[0.8rem] text-muted">{note.path.split('/').slice(0, -1).join(' › ')}</span>
        </Menu.Item>
      ))}
    </Menu.Group>
  );
  return (
    <Dialog
      open={open}
      onClose={close}
      title="Commands and notes"
      onGone={() => {
        chosen.current?.();
        chosen.current = null;
      }}
    >
      <Menu label="Commands and notes" loop filter={matchNamed}>
        <Menu.Input
          autoFocus
          className="field mb-2 w-full"
          placeholder="Type part of a command or a note’s title"
          value={typed}
          onValueChange={setTyped}
        />
        <Menu.List className="max-h-[52vh] overflow-auto">
          {isTitle ? [namedNotes, namedCommands] : [namedCommands, namedNotes]}
          {jumps.map(
            ({ title, jumps: places, isFound }) =>
              places.length > 0 && (
                <Menu.Group key={title} forceMount={isFound} heading={<span className="menu-label">{title}</span>}>
                  {places.map(({ address, words, of }) => (
                    <Menu.Item
                      key={address}
                      forceMount={isFound}
                      value={
                        isFound ? `${title} ${address}` : `${title === 'Days' && !isTitle ? wanted : ''} ${words} ${of} ${address}`.trim()
                      }
                      className="menu-item justify-between"
                      onSelect={() => {
                        close();
                        void navigate(address);
                      }}
                    >
                      <span className="truncate">{words}</span>
                      <span className="truncate text-[0.8rem] text-muted">{of}</span>
                    </Menu.Item>
                  ))}
                </Menu.Group>
              ),
          )}
          {wanted !== '' && (
            <Menu.Group forceMount heading={<span className="menu-label">Otherwise</span>}>
              <Menu.Item
                forceMount
                value={`find ${wanted}`}
                className="menu-item"
                onSelect={() => {
                  close();
                  void navigate(findAddress(wanted));
                }}
              >
                Find “{wanted}” in all notes
              </Menu.Item>
              {!isTitle && (
                <Menu.Item
                  forceMount
                  value={`make ${wanted}`}
                  className="menu-item"
                  onSelect={() => {
                    chosen.current = () => void dispatch(frameSlice.actions.dialogShown({ is: 'new-note', title: wanted }));
                    close();
                  }}
                >
                  Make a note “{wanted}”
                </Menu.Item>
              )}
            </Menu.Group>
          )}
        </Menu.List>
      </Menu>
    </Dialog>
  );
}
