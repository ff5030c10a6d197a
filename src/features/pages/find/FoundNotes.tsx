import { Link } from 'react-router';
import type { FoundNote } from '../../../core/index/questions/search';
import { bareWords } from '../../../core/note/blocks/bare-words';
import { withoutMarks } from '../../../core/note/names/inline-marks';
import { noteAddress } from '../../session/places/addresses';
import { readableTitle } from '../../note/links/readable-title';
import { markedParts } from './marked-parts';

interface FoundNotesProps {
  notes: readonly FoundNote[];
  terms: ReadonlySet<string>;
}

/** The notes that were found, each with the lines that hold what was looked for and how many tasks it has. */
export function FoundNotes({ notes, terms }: FoundNotesProps) {
  return (
    <ul className="grid gap-3">
      {notes.map((note) => (
        <li key={note.path}>
          <div className="flex items-baseline gap-2">
            <Link
              data-found
              className="name-link inline-flex min-h-[25px] min-w-0 items-center font-semibold [overflow-wrap:anywhere]"
              to={noteAddress(note.path)}
            >
              {readableTitle(note.title)}
            </Link>
            <span className="text-[0.84rem] text-muted">{taskWords(note)}</span>
            {note.near.length > 0 && <span className="text-[0.84rem] text-muted">near: {note.near.slice(0, 3).join(', ')}</span>}
          </div>
          {note.lines.map(({ line, text }) => (
            <Link
              key={line}
              to={noteAddress(note.path, line)}
              className="block min-h-[26px] rounded-sm px-1 -mx-1 py-0.5 text-[0.92rem] text-muted hover:bg-raised [overflow-wrap:anywhere]"
            >
              <bdi>
                {markedParts(withoutMarks(bareWords(text)), terms).map((part, index) =>
                  part.marked ? (
                    <mark key={index} className="rounded-sm bg-sun-soft px-px text-ink">
                      {part.text}
                    </mark>
                  ) : (
                    part.text
                  ),
                )}
              </bdi>
            </Link>
          ))}
        </li>
      ))}
    </ul>
  );
}

function taskWords({ tasks, open }: FoundNote): string {
  if (tasks === 0) return '';
  return open === tasks ? `${open} open` : `${open} of ${tasks} open`;
}
