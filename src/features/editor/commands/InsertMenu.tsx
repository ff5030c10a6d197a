import { useState } from 'react';
import { Plus } from 'lucide-react';
import { isoDay } from '../../../core/calendar/day';
import { dayTitle } from '../../../core/calendar/day-name';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { choosePictures } from '../../note/pictures/choose-pictures';
import { insertedFrom } from '../../../core/template/from-template';
import { QuestionsDialog } from '../../note/templates/QuestionsDialog';
import type { Piece } from '../look/text-marks';
import { MenuAt, MenuEntry, MenuInside, MenuLine } from '../../../ui/menu/menu';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

interface InsertMenuProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  /** Puts a piece of text at the cursor. */
  onInsert: (piece: Piece) => void;
  /** Keeps pictures, and puts them at the cursor. */
  onPictures: (files: readonly File[]) => void;
  /** Puts the cursor back into the text. */
  onLeave: () => void;
  title: string;
}

/** What can be put into a text, for those who know no keys. */
export function InsertMenu({ open, onOpenChange, onInsert, onPictures, onLeave, title }: InsertMenuProps) {
  const { store, commands } = useServices();
  const now = useNow();
  const templates = useAppSelector((state) => state.library.overview?.notes);
  const [asking, setAsking] = useState<{ title: string; text: string; questions: readonly string[] } | null>(null);
  const fill = (text: string, answers: ReadonlyMap<string, string>) =>
    insertedFrom(text, { day: now.day, minute: now.minute, name: title, answers });
  const fromTemplate = async (path: string, name: string): Promise<void> => {
    const text = await store.text(path);
    if (text === null) return;
    const { text: filled, questions } = fill(text, new Map());
    if (questions.length > 0) setAsking({ title: name, text, questions });
    else onInsert({ before: filled });
  };
  const known = (templates ?? []).filter((note) => note.kind === 'template');
  return (
    <>
      {asking && (
        <QuestionsDialog
          title={asking.title}
          questions={asking.questions}
          onClose={() => setAsking(null)}
          onDone={(answers) => {
            setAsking(null);
            onInsert({ before: fill(asking.text, answers).text });
          }}
        />
      )}
      <MenuAt
        open={open}
        onOpenChange={onOpenChange}
        trigger={
          <button type="button" className="quiet-button no-print mt-1" aria-label="Insert" onClick={() => onOpenChange(true)}>
            <Plus size={16} aria-hidden="true" />
            <span className="max-sm:sr-only">Insert</span>
          </button>
        }
        onCloseAutoFocus={(event) => {
          // The cursor goes back to the text, or to what was put in, not to the button.
          event.preventDefault();
          onLeave();
        }}
      >
        <MenuEntry label="Task" onSelect={() => onInsert({ before: '- [ ] ' })} />
        <MenuEntry label="Key point" onSelect={() => commands.text?.run('text-key')} />
        <MenuEntry label="Task of who is named" onSelect={() => commands.text?.run('text-give')} />
        <MenuEntry label="To raise with somebody" onSelect={() => commands.text?.run('text-to-raise')} />
        <MenuEntry label="Question" onSelect={() => commands.text?.run('text-question')} />
        <MenuEntry label="Meeting of the appointment" onSelect={() => commands.text?.run('text-meeting')} />
        <MenuEntry label="A date of the task" onSelect={() => commands.text?.run('text-tail')} />
        <MenuEntry label={`Today’s date, ${dayTitle(now.day)}`} onSelect={() => onInsert({ before: isoDay(now.day), isInline: true })} />
        <MenuEntry label="Link to a note" onSelect={() => onInsert({ before: '[[', isInline: true })} />
        <MenuEntry label="Picture from a file" onSelect={() => choosePictures(onPictures)} />
        {BY_TOUCH && <MenuEntry label="Picture from the camera" onSelect={() => choosePictures(onPictures, 'camera')} />}
        <MenuEntry label="Gather" onSelect={() => onInsert({ before: '```gather\ntitle ', behind: '\nwhere open\n```\n' })} />
        {known.length > 0 && (
          <MenuInside label="Template">
            {known.map((note) => (
              <MenuEntry key={note.path} label={note.title} onSelect={() => void fromTemplate(note.path, note.title)} />
            ))}
          </MenuInside>
        )}
        <MenuLine />
        <MenuEntry label="Heading" onSelect={() => onInsert({ before: '## ' })} />
        <MenuEntry label="Divider" onSelect={() => onInsert({ before: '\n---\n' })} />
        <MenuEntry label="Table" onSelect={() => onInsert({ before: '| ', behind: '| | |\n| --- | --- | --- |\n| | | |\n' })} />
        <MenuEntry label="Quote" onSelect={() => onInsert({ before: '> ' })} />
      </MenuAt>
    </>
  );
}
