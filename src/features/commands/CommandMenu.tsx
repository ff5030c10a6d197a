import { Command as Menu } from 'cmdk';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { Dialog } from '../../ui/Dialog';
import { takeKeys } from '../../ui/early-keys';
import { noteAddress } from '../session/places/addresses';
import { notesNamed } from '../session/state/notes-named';
import { useAppSelector } from '../session/state/state';
import { type Command, keyName } from './command';

interface CommandMenuProps {
  open: boolean;
  commands: readonly Command[];
  onClose: () => void;
}

const MOST_NOTES = 400;

/** Every command with its key, and every note, found by typing part of its name. */
export function CommandMenu({ open, commands, onClose }: CommandMenuProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  // What was typed before the field was there.
  useEffect(() => setTyped((before) => takeKeys().typed || before), []);
  const chosen = useRef<(() => void) | null>(null);
  const close = (): void => {
    setTyped('');
    onClose();
  };
  const found = useMemo(() => notesNamed(notes ?? [], typed, MOST_NOTES), [notes, typed]);
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
      <Menu label="Commands and notes" loop>
        <Menu.Input
          autoFocus
          className="field mb-2 w-full"
          placeholder="Type part of a command or a note’s title"
          value={typed}
          onValueChange={setTyped}
        />
        <Menu.List className="max-h-[52vh] overflow-auto">
          <Menu.Empty className="px-2 py-3 text-muted">Nothing is called so.</Menu.Empty>
          <Menu.Group heading={<span className="menu-label">Commands</span>}>
            {commands
              .filter((command) => command.when?.() ?? true)
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
          <Menu.Group heading={<span className="menu-label">Notes</span>}>
            {found.map((note) => (
              <Menu.Item
                key={note.path}
                value={`${note.title} ${note.path}`}
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
        </Menu.List>
      </Menu>
    </Dialog>
  );
}
