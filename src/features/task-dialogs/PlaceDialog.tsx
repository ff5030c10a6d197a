import { Command as Menu } from 'cmdk';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { gatherBlock } from '../../core/gather/saying/gather-block';
import { Dialog } from '../../ui/Dialog';
import { headingsOf } from '../note/note-headings';
import { refuse } from '../session/telling/messages';
import { noteAddress } from '../session/places/addresses';
import { notesNamed } from '../session/state/notes-named';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import type { TaskDialog } from '../session/acting/task-dialog';
import { counted, useAct, useToldDone } from '../session/acting/use-act';

const TITLES = { move: 'Move to a note', archive: 'Archive to a note', echo: 'Make an echo in a note', gather: 'Put the list into a note' };

interface PlaceDialogProps {
  asked: Extract<TaskDialog, { is: 'place' }>;
  onClose: () => void;
}

/** Asks for a note, at whose end it goes; or, where that is wanted, for one of its headings too. */
export function PlaceDialog({ asked, onClose }: PlaceDialogProps) {
  const { what } = asked;
  const tasks = what === 'gather' ? [] : asked.tasks;
  const { actAll } = useAct();
  const putGather = usePutGather();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const [note, setNote] = useState<{ path: string; title: string } | null>(null);
  const [typed, setTyped] = useState('');
  const [underHeading, setUnderHeading] = useState(false);
  const headings = useHeadings(note?.path ?? null);
  const store = (target: string): void => {
    onClose();
    if (what === 'gather') void putGather(asked.text, target);
    else void actAll(tasks, [what === 'echo' ? { do: 'echo', in: target } : { do: what, to: target }]);
  };
  const here = new Set(tasks.map((task) => task.ref.path));
  const able = (notes ?? []).filter((one) => one.kind !== 'agenda' && one.kind !== 'status' && !(what === 'echo' && here.has(one.path)));
  const choices = notesNamed(able, typed);
  return (
    <Dialog open onClose={onClose} title={TITLES[what]}>
      <p className="mb-2 text-muted [overflow-wrap:anywhere]">
        {what === 'gather' ? 'It stays live there.' : tasks.length === 1 ? tasks[0]?.text : counted(tasks.length, 'task')}
      </p>
      <p className="mb-2 text-[0.93rem] text-muted">
        {note ? 'Under a heading of ' : 'It goes '}
        {note ? (
          <strong className="text-ink">{note.title}</strong>
        ) : (
          <button type="button" className="slip-part" aria-pressed={underHeading} onClick={() => setUnderHeading(!underHeading)}>
            {underHeading ? 'under a heading of the note' : 'to the end of the note'}
          </button>
        )}
        {!underHeading && <span className="max-sm:hidden">; with # under a heading</span>}
      </p>
      <Menu key={note?.path ?? ''} label={note ? 'Heading' : 'Note'} loop>
        <Menu.Input
          autoFocus
          className="field mb-2 w-full"
          placeholder={note ? `A heading of ${note.title}` : 'Part of a note’s title'}
          value={typed}
          onValueChange={(words) => {
            if (note === null && words.endsWith('#')) setUnderHeading(true);
            setTyped(note === null ? words.replace(/\s*#$/, '') : words);
          }}
        />
        <Menu.List className="max-h-[44vh] overflow-auto">
          <Menu.Empty className="px-2 py-3 text-muted">
            {note && headings.length === 0 ? 'This note has no headings.' : 'Nothing is called so.'}
          </Menu.Empty>
          {note
            ? headings.map((heading) => (
                <Menu.Item key={heading} className="menu-item" value={heading} onSelect={() => store(`${note.path}#${heading}`)}>
                  # {heading}
                </Menu.Item>
              ))
            : choices.map((one) => (
                <Menu.Item
                  key={one.path}
                  className="menu-item justify-between"
                  value={`${one.title} ${one.path}`}
                  onSelect={() => {
                    if (!underHeading) {
                      store(one.path);
                      return;
                    }
                    setNote(one);
                    setTyped('');
                  }}
                >
                  <span className="truncate">{one.title}</span>
                  <span className="truncate text-[0.8rem] text-muted">{one.path.split('/').slice(0, -1).join(' › ')}</span>
                </Menu.Item>
              ))}
        </Menu.List>
      </Menu>
    </Dialog>
  );
}

/** Writes a gather as a block under a heading of a note, or at its end, and goes there. */
function usePutGather(): (text: string, target: string) => Promise<void> {
  const { actions } = useServices();
  const told = useToldDone();
  const navigate = useNavigate();
  return async (text, target) => {
    const [path = target, heading = null] = target.split('#');
    const label = 'List put into the note';
    const lines = gatherBlock(text).trimEnd().split('\n');
    const result = await actions.writeLines(path, { heading, side: 'last' }, ['', ...lines], label);
    if ('refused' in result) return void refuse(result.refused);
    told(label, result.step);
    void navigate(noteAddress(path));
  };
}

/** The headings of a note, as they are stored. */
function useHeadings(path: string | null): string[] {
  const { store } = useServices();
  const [headings, setHeadings] = useState<string[]>([]);
  useEffect(() => {
    if (path === null) return;
    let current = true;
    void headingsOf(store, path).then((found) => current && setHeadings(found));
    return () => {
      current = false;
    };
  }, [store, path]);
  return headings;
}
