import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import type { LentAbout } from '../core/sharing/lend/lent-messages';
import { readNote } from '../core/task/reading/read-note';
import { TOUCH_TOOLS, TouchBar } from '../features/editor/commands/TouchBar';
import { BY_TOUCH } from '../ui/input/by-touch';
import { Logo } from '../ui/Logo';
import type { JoinedLent, Shown } from './join-lent';
import { LentTools } from './LentTools';
import { readingOf, settingsOf } from './lent-context';
import { LENT_COMMANDS, type LentEditor, makeLentEditor } from './make-lent-editor';
import { narrowed, tagsIn } from './narrow-lines';
import { WhoIsHere } from './WhoIsHere';

interface LentPageProps {
  lent: JoinedLent;
  shown: Shown;
  about: LentAbout;
}

const TOOLS = TOUCH_TOOLS.filter(([id]) => LENT_COMMANDS.has(id));

/** What is lent: its text, how far it is, who else is there, and what can be done with it. */
export function LentPage({ lent, shown, about }: LentPageProps) {
  const parent = useRef<HTMLDivElement>(null);
  const editor = useRef<LentEditor | null>(null);
  const [words, setWords] = useState('');
  const [tags, setTags] = useState<readonly string[]>([]);
  const [told, setTold] = useState<string | null>(null);
  const [isWriting, setWriting] = useState(false);
  const text = useLentEditor({ editor, parent, lent, about, shown, onText: setWords, onTags: setTags, onTold: setTold });
  useEffect(() => {
    document.title = 'Lent to you · Recado';
  }, []);
  const { rights } = about;
  return (
    <div className="mx-auto flex min-h-dvh max-w-[52rem] flex-col px-3 pb-16 sm:px-6">
      <header className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
        <Logo />
        <span className="text-muted">
          {rights === 'write' ? 'lent to you, to write' : rights === 'tick' ? 'lent to you, to tick' : 'lent to you, to read'}
        </span>
        <span className="ms-auto">
          <WhoIsHere lent={lent} asks={rights !== 'read'} />
        </span>
      </header>
      <main className="flex-1 rounded-xl bg-sheet px-4 py-4 sm:px-8">
        <div className="mb-1 flex items-center gap-3">
          <Progress words={words} settings={about.settings} />
          <LentTools editor={editor} words={words} />
        </div>
        <Tags tags={tags} onChoose={(tag) => editor.current?.view.dispatch({ effects: narrowed.of(tag) })} />
        <State shown={shown} rights={rights} />
        {told !== null && (
          <p role="alert" className="no-print my-1 rounded-md bg-sun-soft px-3 py-1.5">
            {told}
          </p>
        )}
        <div
          ref={parent}
          data-testid="lent-editor"
          onFocus={() => setWriting(true)}
          onBlur={(event) => setWriting(event.currentTarget.contains(event.relatedTarget))}
        />
        {text === '' && rights !== 'write' && <p className="text-muted">There is nothing in it now.</p>}
      </main>
      {BY_TOUCH && isWriting && rights === 'write' && <TouchBar tools={TOOLS} onRun={(id) => editor.current?.run(id)} />}
    </div>
  );
}

interface Editing {
  editor: RefObject<LentEditor | null>;
  parent: RefObject<HTMLDivElement | null>;
  lent: JoinedLent;
  about: LentAbout;
  shown: Shown;
  onText: (words: string) => void;
  onTags: (tags: readonly string[]) => void;
  onTold: (words: string | null) => void;
}

/** The editor as long as the page is there; of a list it shows the shared text with the ticks that wait. */
function useLentEditor({ editor, parent, lent, about, shown, onText, onTags, onTold }: Editing): string {
  const { rights, form } = about;
  const latest = useRef({ about, shown, onText, onTags, onTold });
  useEffect(() => {
    latest.current = { about, shown, onText, onTags, onTold };
  });
  const [shared, setShared] = useState(() => lent.text.toString());
  useEffect(() => {
    const told = (): void => setShared(lent.text.toString());
    lent.text.observe(told);
    told();
    return () => lent.text.unobserve(told);
  }, [lent]);
  useEffect(() => {
    if (!parent.current) return;
    const made = makeLentEditor({
      ...{ parent: parent.current, text: lent.text, awareness: lent.awareness, settings: settingsOf(latest.current.about.settings) },
      ...{ writes: rights === 'write', isList: form === 'list' },
      onTick:
        rights === 'tick'
          ? (line) => {
              const id = latest.current.about.rows[line];
              const isDone = /^\s*- \[x\]/.test(made.view.state.doc.line(line + 1).text);
              if (id != null) lent.tick(id, isDone ? 'todo' : 'done');
            }
          : null,
      told: (words) => latest.current.onTold(words),
      onUpdate: ({ state, docChanged }) => {
        if (!docChanged) return;
        latest.current.onText(state.doc.toString());
        latest.current.onTags(tagsIn(state));
      },
    });
    editor.current = made;
    latest.current.onText(made.view.state.doc.toString());
    latest.current.onTags(tagsIn(made.view.state));
    return () => {
      editor.current = null;
      made.view.destroy();
    };
  }, [editor, parent, lent, rights, form]);
  const ticked = form === 'list' ? withTicks(shared, about, shown) : null;
  useEffect(() => {
    if (ticked !== null) editor.current?.show(ticked);
  }, [editor, ticked]);
  useEffect(() => editor.current?.follow(settingsOf(about.settings)), [editor, about]);
  return ticked ?? shared;
}

/** A list with the ticks that its owner’s program has not put onto their lines yet. */
function withTicks(text: string, { rows }: LentAbout, { ticks }: Shown): string {
  if (ticks.size === 0) return text;
  return text
    .split('\n')
    .map((line, at) => {
      const tick = ticks.get(rows[at] ?? '');
      return tick ? line.replace(/^(\s*- )\[[^\]]\]/, `$1[${tick.status === 'done' ? 'x' : ' '}]`) : line;
    })
    .join('\n');
}

/** How many of the tasks are done, for those who only want that. */
function Progress({ words, settings }: { words: string; settings: LentAbout['settings'] }) {
  const { done, all } = useMemo(() => {
    const { tasks } = readNote('Lent.md', words, readingOf(settingsOf(settings)));
    const counted = tasks.filter(({ status }) => status !== 'cancelled');
    return { done: counted.filter(({ status }) => status === 'done').length, all: counted.length };
  }, [words, settings]);
  if (all === 0) return null;
  return (
    <div className="flex min-w-0 flex-1 items-center gap-3">
      <span className="font-semibold whitespace-nowrap tabular-nums">
        {done} of {all} done
      </span>
      <div
        role="progressbar"
        aria-label="How far it is"
        aria-valuemin={0}
        aria-valuemax={all}
        aria-valuenow={done}
        className="h-2 min-w-0 flex-1 overflow-hidden rounded-full bg-raised"
      >
        <div className="h-full bg-(--kept)" style={{ width: `${(100 * done) / all}%` }} />
      </div>
    </div>
  );
}

/** Only what bears a tag, chosen from those in the text. */
function Tags({ tags, onChoose }: { tags: readonly string[]; onChoose: (tag: string | null) => void }) {
  const [chosen, setChosen] = useState<string | null>(null);
  if (tags.length === 0 && chosen === null) return null;
  const choose = (tag: string): void => {
    const next = tag === chosen ? null : tag;
    setChosen(next);
    onChoose(next);
  };
  const shown = chosen !== null && !tags.includes(chosen) ? [chosen, ...tags] : tags;
  return (
    <div role="group" aria-label="Only what bears a tag" className="no-print mb-2 flex flex-wrap gap-1">
      {shown.map((tag) => (
        <button
          key={tag}
          type="button"
          aria-pressed={tag === chosen}
          className={tag === chosen ? 'solid-button' : 'line-button'}
          onClick={() => choose(tag)}
        >
          #{tag}
        </button>
      ))}
    </div>
  );
}

/** Whether what is written is kept, and whether the server is there. */
function State({ shown: { isThere, isKept, isFull }, rights }: { shown: Shown; rights: LentAbout['rights'] }) {
  if (isFull)
    return (
      <p role="alert" className="no-print mb-2 rounded-md bg-sun-soft px-3 py-1.5">
        This text is as long as it may be, so what was written last is not kept. Make it shorter, or copy out what you need.
      </p>
    );
  const words = !isThere
    ? isKept
      ? 'The server is not reached now. What changes there comes as soon as it is.'
      : 'The server is not reached now. What you wrote is on this page alone: leave it open until it is kept.'
    : rights !== 'write'
      ? null
      : isKept
        ? 'Saved'
        : 'Saving…';
  return words === null ? null : (
    <p role="status" className={`no-print mb-2 text-[0.86rem] ${isThere ? 'text-muted' : 'text-late'}`}>
      {words}
    </p>
  );
}
