import { useState } from 'react';
import { useNavigate } from 'react-router';
import { refuse } from '../../session/telling/messages';
import { cleanPath } from '../../../core/note/names/path';
import { Dialog } from '../../../ui/Dialog';
import { noteAddress } from '../../session/places/addresses';
import { noteFrom } from '../../../core/template/from-template';
import { useMakeMeeting } from '../../meeting/making/use-make-meeting';
import { perhapsClosed } from '../../sharing/seal/unlooked';
import { useSeals } from '../../sharing/seal/use-seals';
import { QuestionFields } from '../templates/QuestionFields';
import { useTemplates } from '../templates/use-templates';
import { useNow, useServices } from '../../session/state/services';
import type { AskedDialog } from '../../session/acting/task-dialog';
import { FolderField } from './FolderField';
import { folderOfKind } from './kind-folders';
import { Labelled } from '../../../ui/form/Labelled';

interface NewNoteDialogProps {
  open: boolean;
  asked: Extract<AskedDialog, { is: 'new-note' }>;
  onClose: () => void;
}

/** Makes a note: a title, and a folder if one likes. */
export function NewNoteDialog({ open, asked, onClose }: NewNoteDialogProps) {
  return (
    <Dialog open={open} onClose={onClose} title="New note">
      <NewNoteForm asked={asked} onClose={onClose} />
    </Dialog>
  );
}

function NewNoteForm({ asked, onClose }: Omit<NewNoteDialogProps, 'open'>) {
  const { actions } = useServices();
  const navigate = useNavigate();
  const [title, setTitle] = useState(asked.title ?? '');
  const [folder, setFolder] = useState(asked.folder ?? '');
  const templates = useTemplates();
  const now = useNow();
  const { closed } = useSeals();
  const makeMeeting = useMakeMeeting();
  const [chosen, setChosen] = useState<string | null>(null);
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>({});
  // A note in the folder of a kind begins as one of that kind, unless another beginning was chosen.
  const byFolder = templates?.find(({ makes }) => makes !== null && folderOfKind(makes) === folder.trim())?.path;
  const from = chosen ?? byFolder ?? '';
  const template = templates?.find(({ path }) => path === from) ?? null;
  const filled = (said: ReadonlyMap<string, string>) =>
    template
      ? noteFrom(template.text, { day: now.day, minute: now.minute, name: title.trim(), answers: said })
      : { text: '', questions: [] };
  const { questions } = filled(new Map());
  /** Stores it; a meeting as all meetings are made. */
  const store = async (inFolder: string, said: ReadonlyMap<string, string>): Promise<string | null> => {
    if (template?.makes === 'meeting')
      return makeMeeting({ title: title.trim(), date: now.day, form: null, template: template.path, answers: said }, inFolder);
    const made = await actions.create(inFolder, title.trim(), filled(said).text);
    if ('refused' in made) refuse(made.refused);
    return 'refused' in made ? null : made.path;
  };
  const make = async (): Promise<void> => {
    const clean = folder.trim() === '' ? '' : cleanPath(folder.trim());
    if (clean === null) {
      refuse('A folder is a name, or names with / between them.');
      return;
    }
    const said = new Map(questions.map((question) => [question, answers[question] ?? '']));
    const path = await store(clean, said);
    if (path === null) return;
    onClose();
    void navigate(noteAddress(path));
  };
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      {asked.title !== undefined && (
        <p className="text-muted">
          {closed === 0
            ? `There is no note “${asked.title}” yet. What links to it leads there once it is made.`
            : `No note that can be read now is called “${asked.title}”. ${perhapsClosed(closed)}`}
        </p>
      )}
      <Labelled label="Title">
        <input className="field" required autoFocus value={title} onChange={(event) => setTitle(event.target.value)} />
      </Labelled>
      <FolderField value={folder} onChange={setFolder} />
      {templates !== null && templates.length > 0 && (
        <Labelled label="Begins as">
          <select
            className="field"
            value={from}
            onChange={(event) => {
              setChosen(event.target.value);
              const folderOf = folderOfKind(templates.find(({ path }) => path === event.target.value)?.makes ?? '');
              if (folder === '' && folderOf !== undefined) setFolder(folderOf);
            }}
          >
            <option value="">an empty note</option>
            {templates.map(({ path, title: name }) => (
              <option key={path} value={path}>
                {name}
              </option>
            ))}
          </select>
        </Labelled>
      )}
      <QuestionFields questions={questions} answers={answers} onAnswers={setAnswers} />
      <button type="submit" className="solid-button justify-self-start" disabled={title.trim() === ''}>
        Make the note
      </button>
    </form>
  );
}
