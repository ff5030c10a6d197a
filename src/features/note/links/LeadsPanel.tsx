import { useCallback, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { LeadingLine } from '../../../core/index/questions/leading';
import { bareWords } from '../../../core/note/blocks/bare-words';
import { foldPath, withoutEnding } from '../../../core/note/names/path';
import { InlineText } from '../../../ui/InlineText';
import { TaskMark } from '../../../ui/marks/TaskMark';
import { refuse } from '../../session/telling/messages';
import { counted, useAct, useToldDone } from '../../session/acting/use-act';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { readableTitle } from './readable-title';
import { byNote, narrowWords, narrowedLines } from './narrow-leading';

/** So many words by which lines are narrowed are in sight. */
const MOST_WORDS = 8;
/** So many lines of each sort are shown. */
const MOST_LINES = 100;
/** Of more places than these not all become links at once. */
const MOST_LINKED = 5000;

/** The lines elsewhere that mean the note on the page: those that link to it, and, dimmed, those that only say its name. */
export function LeadsPanel({ path }: { path: string | null }) {
  if (path === null)
    return <p className="text-muted">What is shown in the middle is no single note. Open one, and what leads to it stands here.</p>;
  return <Leads key={path} path={path} />;
}

function Leads({ path }: { path: string }) {
  const [whole, setWhole] = useState(false);
  const found = useAsked(
    'leading',
    useMemo(() => ({ path, most: whole ? MOST_LINKED : MOST_LINES }), [path, whole]),
  );
  const [word, setWord] = useState<string | null>(null);
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const kinds = useMemo(() => new Map(notes?.map((note) => [note.path, note.kind] as const)), [notes]);
  const kindOf = useCallback((at: string): string => kinds.get(at) ?? 'note', [kinds]);
  const words = useMemo(() => narrowWords([...(found?.linked ?? []), ...(found?.named ?? [])], kindOf), [found, kindOf]);
  const link = useMakeLinks(path);
  if (!found) return <p className="text-muted">Looking for what leads here…</p>;
  const linked = narrowedLines(found.linked, word, kindOf);
  const named = narrowedLines(found.named, word, kindOf);
  const total = found.linkedCount + found.namedCount;
  return (
    <div className="rounded-lg bg-sheet px-3 py-2.5 text-[0.95rem]">
      <p role="status" className="text-muted">
        {total === 0
          ? 'No other note means this one yet. A link to it, or its name anywhere, comes to stand here.'
          : `${counted(found.linkedCount, 'line')} ${found.linkedCount === 1 ? 'links' : 'link'} here, ${found.namedCount.toLocaleString('en')} only ${found.namedCount === 1 ? 'says' : 'say'} its name.`}
        {found.unread > 0 && ` ${counted(found.unread, 'note')} more may say it too.`}
        {found.left > 0 && ` ${counted(found.left, 'note')} not looked through yet.`}
      </p>
      {words.length > 0 && (
        <div role="group" aria-label="Narrow these lines" className="mt-1 flex flex-wrap gap-x-1">
          {words.slice(0, MOST_WORDS).map(({ word: one, count }) => (
            <button
              key={one}
              type="button"
              aria-pressed={word === one}
              className={`quiet-button text-[0.86rem] ${word === one ? 'bg-primary-soft font-semibold text-ink' : ''}`}
              onClick={() => setWord(word === one ? null : one)}
            >
              {one} {count}
            </button>
          ))}
        </div>
      )}
      <LineList lines={linked.slice(0, MOST_LINES)} action={null} />
      {word === null && found.linkedCount > MOST_LINES && <More shown={MOST_LINES} count={found.linkedCount} />}
      {named.length > 0 && (
        <section aria-label="Only named" className="mt-3 border-t border-line pt-2">
          <div className="flex items-baseline justify-between gap-2">
            <h3 className="section-label">Only named</h3>
            {found.unread > 0 ? (
              // Nothing is linked before it is said how many places that are.
              <button type="button" className="quiet-button text-[0.86rem]" onClick={() => setWhole(true)}>
                Count them all
              </button>
            ) : (
              <button type="button" className="quiet-button text-[0.86rem]" onClick={() => void link(word === null ? null : named)}>
                {word === null
                  ? `Make ${found.namedCount === 1 ? 'it a link' : `all ${found.namedCount.toLocaleString('en')} links`}`
                  : `Make these ${named.length} links`}
              </button>
            )}
          </div>
          <div className="text-muted">
            <LineList lines={named.slice(0, MOST_LINES)} action={(line) => void link([line])} />
          </div>
          {word === null && found.namedCount > MOST_LINES && <More shown={MOST_LINES} count={found.namedCount} />}
        </section>
      )}
    </div>
  );
}

const More = ({ shown, count }: { shown: number; count: number }) => (
  <p className="mt-1 text-[0.86rem] text-muted">
    The first {shown} of {count.toLocaleString('en')}.
  </p>
);

function LineList({ lines, action }: { lines: readonly LeadingLine[]; action: ((line: LeadingLine) => void) | null }) {
  return (
    <ul>
      {byNote(lines).map(({ path, title, lines: ofNote }) => (
        <li key={path} className="mt-2">
          <Link to={noteAddress(path)} className="name-link inline-block min-h-[25px] font-semibold">
            {readableTitle(title)}
          </Link>
          <ul>
            {ofNote.map((line) => (
              <OneLine key={line.line} line={line} action={action} />
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

function OneLine({ line, action }: { line: LeadingLine; action: ((line: LeadingLine) => void) | null }) {
  const { act } = useAct();
  const words = bareWords(line.raw);
  const ref = { path: line.path, line: line.line, expected: line.raw };
  const closed = line.status === 'done' || line.status === 'cancelled';
  return (
    <li className="flex items-start gap-1 py-0.5">
      {line.status !== null && (
        <TaskMark
          look={{ status: line.status, priority: line.priority, late: false, resting: false }}
          of={words}
          onTick={() => void act(ref, words, { do: 'status', status: closed ? 'todo' : 'done' }, line.openSteps)}
          onRaise={() => void act(ref, words, { do: 'raise', wraps: true })}
        />
      )}
      <span className="min-w-0 flex-1">
        <Link
          to={noteAddress(line.path, line.line)}
          className="inline-block min-h-[25px] rounded-sm hover:bg-raised [overflow-wrap:anywhere]"
        >
          <InlineText text={words} />
        </Link>
        {line.heading !== null && <span className="block text-[0.83rem] text-muted">{line.heading}</span>}
      </span>
      {action && (
        <button
          type="button"
          className="quiet-button flex-none text-[0.84rem]"
          onClick={() => action(line)}
          aria-label={`Make it a link: ${words}`}
        >
          Make it a link
        </button>
      )}
    </li>
  );
}

/** Makes links of lines that only say the name of a note; null for all there are. */
function useMakeLinks(path: string): (lines: readonly LeadingLine[] | null) => Promise<void> {
  const { actions, engine } = useServices();
  const told = useToldDone();
  const note = useAppSelector((state) => state.library.overview?.notes.find((one) => one.path === path));
  const shared = useAppSelector((state) => state.library.overview?.sharedNames);
  return async (lines) => {
    if (!note) return;
    const wanted = lines ?? (await engine.ask('leading', { path, most: MOST_LINKED })).named;
    const target = shared?.includes(foldPath(note.title)) ? withoutEnding(path) : note.title;
    const result = await actions.linkMentions(wanted, target, `Linked to ${note.title}`);
    if ('refused' in result) refuse(result.refused);
    else if (result.places === 0) refuse('Those lines are not as they were, so nothing was changed.');
    else told(`${counted(result.places, 'place')} linked to ${note.title}`, result.step);
  };
}
