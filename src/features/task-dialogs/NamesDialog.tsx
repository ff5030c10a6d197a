import { useMemo, useState } from 'react';
import { readTaskLine } from '../../core/task/line/task';
import { foldPath, withoutEnding } from '../../core/note/names/path';
import { signedName, writtenLink } from '../../core/task/acts/word-actions';
import type { WideIntention } from '../../core/task/acts/intention';
import { Dialog } from '../../ui/Dialog';
import { notesNamed } from '../session/state/notes-named';
import { useAppSelector } from '../session/state/state';
import type { TaskDialog } from '../session/acting/task-dialog';
import { counted, useAct } from '../session/acting/use-act';
import { readNames } from './typed-names';
import { Labelled } from '../../ui/form/Labelled';
import { Check } from '../../ui/form/Check';

interface NamesDialogProps {
  asked: Extract<TaskDialog, { is: 'names' }>;
  onClose: () => void;
}

/** Adds and takes away tags, people and links to notes, and says who does it and who asked; on one task or many. */
export function NamesDialog({ asked, onClose }: NamesDialogProps) {
  const { tasks } = asked;
  const { actAll } = useAct();
  const overview = useAppSelector((state) => state.library.overview);
  const shared = useMemo(() => new Set(overview?.sharedNames), [overview?.sharedNames]);
  const [added, setAdded] = useState('');
  const [linkTo, setLinkTo] = useState('');
  const [removed, setRemoved] = useState<string[]>([]);
  const [owner, setOwner] = useState('');
  const [askedBy, setAskedBy] = useState('');
  const lines = tasks.map(({ ref }) => readTaskLine(ref.expected, ref.expected.indexOf('[')));
  const present = [
    ...new Set(
      lines.flatMap((task) =>
        task
          ? [
              ...task.tags.map((tag) => `#${tag}`),
              ...task.people.map((person) => `@${person}`),
              ...task.links.map(({ target, heading }) => `[[${target}${heading === null ? '' : `#${heading}`}]]`),
            ]
          : [],
      ),
    ),
  ];
  const { words, who } = readNames(added);
  const link = linkTo.trim() === '' ? null : writtenLink(`[[${linkTo.trim().replace(/^\[\[|\]\]$/g, '')}]]`);
  const noLink = linkTo.trim() !== '' && link === null;
  const notes = useMemo(() => notesNamed(overview?.notes ?? [], linkTo), [overview?.notes, linkTo]);
  const wrong = words.filter((word) => signedName(word) === null);
  const intentions: WideIntention[] = [
    ...removed.map((name): WideIntention => ({ do: 'untag', name })),
    ...words.map((name): WideIntention => ({ do: 'tag', name })),
    ...(link === null ? [] : [{ do: 'tag' as const, name: link }]),
    ...whoIntention('owner', owner || who.owner),
    ...whoIntention('asked', askedBy || who.asked),
  ];
  const canStore = intentions.length > 0 && wrong.length === 0 && !noLink;
  return (
    <Dialog open onClose={onClose} title="Tags, people, links, owner">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!canStore) return;
          onClose();
          void actAll(tasks, intentions);
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{tasks.length === 1 ? tasks[0]?.text : counted(tasks.length, 'task')}</p>
        <Labelled label="Add">
          <input
            className="field"
            autoFocus={asked.first === undefined}
            list="known-names"
            value={added}
            placeholder="#loans @kofi, owner @teo"
            onChange={(event) => setAdded(event.target.value)}
          />
          {wrong.length > 0 && <span className="text-[0.86rem] text-late">“{wrong[0]}” can be no tag or person.</span>}
        </Labelled>
        <datalist id="known-names">
          {overview?.tags.map((tag) => (
            <option key={tag.name} value={`#${tag.name}`} />
          ))}
          {overview?.people.map((person) => (
            <option key={person.name} value={`@${person.name}`}>
              {person.fullName ?? person.name}
            </option>
          ))}
        </datalist>
        <Labelled label="Link to a note">
          <input className="field" list="known-notes" value={linkTo} onChange={(event) => setLinkTo(event.target.value)} />
          {noLink && <span className="text-[0.86rem] text-late">A link has none of [ ] | in it.</span>}
        </Labelled>
        <datalist id="known-notes">
          {notes.map(({ path, title }) => (
            <option key={path} value={shared.has(foldPath(title)) ? withoutEnding(path) : title} />
          ))}
        </datalist>
        {present.length > 0 && (
          <fieldset>
            <legend className="section-label">Take away</legend>
            <div className="flex flex-wrap gap-x-4">
              {present.map((name) => (
                <Check
                  key={name}
                  checked={removed.includes(name)}
                  onChange={(checked) => setRemoved(checked ? [...removed, name] : removed.filter((one) => one !== name))}
                >
                  {name}
                </Check>
              ))}
            </div>
          </fieldset>
        )}
        <div className="flex flex-wrap gap-3">
          <Who label="Owner" hint="@kofi, nobody, me" first={asked.first === 'owner'} value={owner} onChange={setOwner} />
          <Who label="Asked by" hint="@bea" value={askedBy} onChange={setAskedBy} />
        </div>
        <button type="submit" className="solid-button justify-self-start" disabled={!canStore}>
          Store
        </button>
      </form>
    </Dialog>
  );
}

interface WhoProps {
  label: string;
  hint: string;
  /** Whether it has the focus when the dialog opens. */
  first?: boolean;
  value: string;
  onChange: (value: string) => void;
}

function Who({ label, hint, first = false, value, onChange }: WhoProps) {
  return (
    <Labelled label={label} className="flex-1">
      <input
        className="field"
        autoFocus={first}
        list="known-names"
        placeholder={`unchanged; ${hint}`}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Labelled>
  );
}

function whoIntention(clause: 'owner' | 'asked', typed: string): WideIntention[] {
  const who = typed.trim();
  if (who === '') return [];
  if (who === 'me' || who === 'none') return [{ do: 'unset', clause }];
  return [{ do: 'set', clause: `${clause} ${who === 'nobody' || who.startsWith('@') ? who : `@${who}`}` }];
}
