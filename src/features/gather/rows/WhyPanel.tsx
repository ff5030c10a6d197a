import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { WhyNode } from '../../../core/gather/answer/why';
import type { FoundTask } from '../../../core/index/questions/of-a-task/found-task';
import type { TaskWhy } from '../../../core/index/questions/of-a-task/why-a-task';
import { askAddress, noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import type { DialogTask, WhyQuestion } from '../../session/acting/task-dialog';

/** Why a task stands in a list, and for one that is missed, which condition keeps it out. */
export function WhyPanel() {
  const question = useAppSelector((state) => state.frame.why);
  if (!question)
    return (
      <p className="text-muted">
        Choose “Why it stands here” in the menu of a task, or “Why is one here, or missing?” in the menu of a list.
      </p>
    );
  return (
    <Question
      key={`${question.gather} ${question.task?.ref.path ?? ''} ${question.task?.ref.line ?? ''}`}
      gather={question.gather}
      at={question.at}
      kept={question.kept}
      task={question.task}
    />
  );
}

function Question({ gather, at, kept, task }: WhyQuestion) {
  const [missed, setMissed] = useState('');
  const found = useFound(missed);
  return (
    <div className="grid gap-2">
      {task && <Card task={task} gather={gather} at={at} kept={kept} note={null} />}
      <section className="rounded-lg bg-sheet px-3 py-2.5">
        <label className="grid gap-1">
          <span className="font-semibold">Looking for one that is missing?</span>
          <span className="text-[0.88rem] text-muted">Type part of it, and see which condition keeps it out.</span>
          <input className="field" value={missed} placeholder="part of its words" onChange={(event) => setMissed(event.target.value)} />
        </label>
        {missed.trim() !== '' && found?.length === 0 && <p className="mt-1 text-muted">No task says that.</p>}
      </section>
      {found?.map((one) => (
        <Card
          key={`${one.path}:${one.line}`}
          task={{ ref: { path: one.path, line: one.line, expected: one.raw }, text: one.text }}
          gather={gather}
          at={at}
          kept={kept}
          note={one}
        />
      ))}
    </div>
  );
}

/** The tasks that hold typed words; undefined while nothing is typed. */
function useFound(words: string): FoundTask[] | undefined {
  const { engine } = useServices();
  const overview = useAppSelector((state) => state.library.overview);
  const [found, setFound] = useState<FoundTask[]>();
  useEffect(() => {
    let current = true;
    const asked = words.trim();
    void (asked === '' ? Promise.resolve(undefined) : engine.ask('find', { words: asked })).then((next) => current && setFound(next));
    return () => {
      current = false;
    };
  }, [engine, words, overview]);
  return found;
}

interface CardProps extends WhyQuestion {
  task: DialogTask;
  note: FoundTask | null;
}

function Card({ task: asked, gather, at, kept, note }: CardProps) {
  const { engine } = useServices();
  const overview = useAppSelector((state) => state.library.overview);
  const [found, setFound] = useState<TaskWhy | null | undefined>();
  // Where its line stands as far as it is known: lines may come above it.
  const ref = useRef(asked.ref);
  useEffect(() => {
    let current = true;
    void engine.ask('why', { text: gather, at, ...ref.current }).then((next) => {
      if (!current) return;
      if (next) ref.current = next.ref;
      setFound(next);
    });
    return () => {
      current = false;
    };
  }, [engine, gather, at, overview]);
  const why = found && found.why;
  // Of a line that became another the words are those it has now.
  const task = found ? { ...asked, ref: found.ref, text: found.text } : asked;
  return (
    <section className="rounded-lg bg-sheet px-3 py-2.5 text-[0.95rem]" aria-label={`Why: ${task.text}`}>
      <Link to={noteAddress(task.ref.path, task.ref.line)} className="font-semibold [overflow-wrap:anywhere] hover:underline">
        {task.text}
      </Link>
      {note && <p className="text-[0.82rem] text-muted">{note.noteTitle}</p>}
      {why === undefined && <p className="text-muted">Looking…</p>}
      {why === null && <p className="text-muted">The task or the gather is no longer there.</p>}
      {why && (
        <>
          <p className={`my-1 ${why.in ? 'text-kept' : 'text-late'}`}>{why.because}</p>
          <ul className="text-[0.88rem]">
            <WhyLine node={why.tree} gather={gather} kept={kept} task={task} />
          </ul>
          {why.changes.length > 0 && (
            <p className="mt-1.5 text-[0.9rem]">
              To let it in: <strong className="font-semibold">{why.changes.map((way) => way.join(' and ')).join('; or ')}</strong>.
            </p>
          )}
        </>
      )}
    </section>
  );
}

const WORDS: Record<string, string> = { and: 'all of', or: 'one of', not: 'not', everything: 'everything' };

interface WhyLineProps {
  node: WhyNode;
  gather: string;
  kept: WhyQuestion['kept'];
  task: DialogTask;
}

/** A condition with what was found, and where it can be changed: in the list, or in the task. */
function WhyLine({ node, ...asked }: WhyLineProps) {
  const { gather, kept, task } = asked;
  const words = WORDS[node.condition] ?? null;
  return (
    <li className="group/why py-0.5">
      <span className={node.holds ? 'font-semibold text-kept' : 'font-semibold text-late'}>{node.holds ? '✓' : '✕'}</span>
      <span className="sr-only">{node.holds ? 'holds' : 'fails'}</span>{' '}
      {words === null ? <code className="font-mono text-[0.92em]">{node.condition}</code> : <span>{words}</span>}
      {node.found !== null && <span className="block ps-5 text-muted">{node.found}</span>}
      {words === null && (
        <span className="block ps-5">
          change it in{' '}
          <Link className="name-link inline-block min-h-[25px]" to={askAddress(gather)} state={{ kept, place: node.place }}>
            the list
          </Link>{' '}
          or in <InTask condition={node.condition} task={task} />
        </span>
      )}
      {node.parts.length > 0 && (
        <ul className="ms-1.5 border-s border-line ps-3">
          {node.parts.map((part, index) => (
            <WhyLine key={index} node={part} {...asked} />
          ))}
        </ul>
      )}
    </li>
  );
}

/** Conditions that a place fulfils, and nothing that is written on the line. */
const OF_PLACE = /^(?:note|path|heading|kind|under|journal|this|to|is step|\[\[)/;

/** Where in a task a condition is met: in its details, or where its line stands. */
function InTask({ condition, task }: { condition: string; task: DialogTask }) {
  const dispatch = useAppDispatch();
  if (OF_PLACE.test(condition))
    return (
      <Link className="name-link inline-block min-h-[25px]" to={noteAddress(task.ref.path, task.ref.line)}>
        its place
      </Link>
    );
  return (
    <button
      type="button"
      className="name-link min-h-[25px]"
      onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'details', task }))}
    >
      the task
    </button>
  );
}
