import type { Choices } from '../../../core/formats/in/incoming';
import type { BringInPlan } from '../../../engine/files/bring-in';
import { Choice } from '../../../ui/form/Choice';
import { FolderField } from '../../note/making/FolderField';
import { counted } from '../../session/acting/use-act';
import { Listed } from './Listed';
import { SignChoices } from './SignChoices';
import { TableChoices } from './TableChoices';

interface BringInPreviewProps {
  plan: BringInPlan;
  choices: Choices;
  /** Whether the figures are those of the choices before. */
  stale: boolean;
  onChoose: (choices: Choices) => void;
  onBringIn: () => void;
  onClose: () => void;
}

/** What files come to, and what a person decides of it; nothing is changed yet. */
export function BringInPreview({ plan, choices, stale, onChoose, onBringIn, onClose }: BringInPreviewProps) {
  const { notes, tasks, lines, same, beside, left, report, signs, tables, events, textFiles } = plan;
  const set = (change: Partial<Choices>): void => onChoose({ ...choices, ...change });
  const fresh = notes - same;
  return (
    <div className="grid grid-cols-1 gap-4" data-testid="import-plan">
      <p role="status" aria-busy={stale}>
        <strong>{comesTo(fresh, tasks, lines)}</strong>
        {same > 0 && ` ${counted(same, 'note')} ${same === 1 ? 'is' : 'are'} here already, just so.`}
        {beside > 0 &&
          ` ${counted(beside, 'note')} ${beside === 1 ? 'has' : 'have'} the path of another text, and will stand beside it under a number.`}
      </p>
      <Listed
        lines={left.map(({ path, reason }) => `${path}: ${reason}`)}
        one="file, or a part of one, will not come in"
        many="files, or parts of them, will not come in"
      />
      <Listed lines={report} one="line to know; nothing is lost" many="lines to know; nothing is lost" />
      {tables.map((table) => (
        <TableChoices key={table.path} table={table} onChange={(reading) => set({ tables: { ...choices.tables, [table.key]: reading } })} />
      ))}
      {signs.length > 0 && <SignChoices signs={signs} meant={choices.signs} onChange={(meant) => set({ signs: meant })} />}
      {events > 0 && (
        <Choice
          label={`${counted(events, 'event')} of a calendar`}
          value={choices.events}
          options={[
            ['appointments', 'Appointments on the page of their day'],
            ['meetings', 'A meeting each'],
            ['left', 'Leave them out'],
          ]}
          onChoose={(chosen) => set({ events: chosen })}
        />
      )}
      {textFiles > 0 && (
        <Choice
          label={textFiles === 1 ? 'The text file' : `${textFiles} text files`}
          value={choices.textFiles}
          options={[
            ['notes', 'Notes as they are'],
            ['outlines', 'Outlines: each line an item, by its indent'],
          ]}
          onChoose={(chosen) => set({ textFiles: chosen })}
        />
      )}
      {notes > 0 && <FolderField value={choices.folder} onChange={(folder) => set({ folder: folder.trim().replace(/^\/+|\/+$/g, '') })} />}
      <div className="sticky -bottom-4 -mb-4 flex flex-wrap gap-2 border-t border-line bg-sheet py-3">
        <button type="button" className="solid-button" autoFocus onClick={onBringIn}>
          {fresh + lines > 0 ? 'Bring it in' : 'Go on'}
        </button>
        <button type="button" className="line-button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </div>
  );
}

/** @example '2 notes with 7 tasks and 3 appointments will come in.' */
function comesTo(notes: number, tasks: number, lines: number): string {
  const parts = [
    ...(notes > 0 ? [`${counted(notes, 'note')} with ${counted(tasks, 'task')}`] : []),
    ...(lines > 0 ? [counted(lines, 'appointment')] : []),
  ];
  return parts.length === 0 ? 'Nothing new would come in.' : `${parts.join(' and ')} will come in.`;
}
