import { Fragment, useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { parseGather } from '../../core/gather/language/parse';
import { gatherBlock } from '../../core/gather/saying/gather-block';
import { formText, printGather } from '../../core/gather/saying/print';
import { type SentencePart, sentenceOf } from '../../core/gather/saying/sentence';
import { AgendaLists } from '../agenda/AgendaLists';
import { useTypedParameter } from '../find/use-typed-parameter';
import { isWide } from '../gather/list/forms';
import type { KeptGather } from '../gather/list/ListMenuEntries';
import { useContextAt } from '../gather/use-context-at';
import { Sheet } from '../note/Sheet';
import { copyText } from '../session/acting/copy-text';
import { refuse } from '../session/acting/messages';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { useAnswer } from '../session/state/use-answer';
import { EXAMPLES } from './examples';
import { type AskedPart, PartEditor } from './PartEditor';

/** A gather is made by pointing: its sentence is its face, and each part of it is pressed to change it. */
export function AskPage() {
  // What is typed stands in the address, which takes away what else the entry knew.
  const [kept] = useState(useKept());
  const navigate = useNavigate();
  const { actions } = useServices();
  const [text, setText, chooseText] = useTypedParameter('q');
  const [name, setName] = useState('');
  const [part, setPart] = useState<AskedPart | null>(null);
  const context = useContextAt(null);
  const parsed = useMemo(() => parseGather(text), [text]);
  const [good, setGood] = useState(parsed.gather);
  const isRead = parsed.errors.length === 0;
  if (isRead && good !== parsed.gather) setGood(parsed.gather);
  const gather = isRead ? parsed.gather : good;
  const answer = useAnswer(isRead && text.trim() !== '' ? text : null, null);
  const change = (next: typeof gather): void => chooseText(printGather(next));
  const keep = async (): Promise<void> => {
    const title = name.trim();
    const made = await actions.create('Agenda', title, `---\nkind: agenda\n---\n\n${gatherBlock(text)}`);
    if ('refused' in made) refuse(made.refused);
    else void navigate(noteAddress(made.path));
  };
  const putBack = async ({ home, text: written }: KeptGather): Promise<void> => {
    const result = await actions.editGather(home, written, text.trim());
    if ('refused' in result) refuse(result.refused);
    else void navigate(noteAddress(home));
  };
  return (
    <Sheet title="Ask by pointing" wide={isWide(text)}>
      <header className="mb-3 max-w-[46rem]">
        <h1 className="text-[0.86rem] text-muted">Ask by pointing</h1>
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') void keep();
          }}
        >
          <input
            className="min-w-0 flex-1 rounded-md bg-transparent font-title text-[1.86rem] leading-tight font-bold"
            aria-label="Name of the page"
            placeholder="A page without a name yet"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          {kept && (
            <button type="button" className="solid-button" disabled={!isRead || text.trim() === ''} onClick={() => void putBack(kept)}>
              Put it back
            </button>
          )}
          <button
            type="submit"
            className={kept ? 'quiet-button' : 'solid-button'}
            disabled={name.trim() === '' || !isRead || text.trim() === ''}
          >
            Keep as an agenda page
          </button>
          <button type="button" className="quiet-button" disabled={!isRead} onClick={() => void copyText(gatherBlock(text))}>
            Copy
          </button>
        </form>
      </header>
      {text.trim() === '' && (
        <section aria-label="To begin with" className="mb-4 max-w-[46rem]">
          <p className="mb-1 text-muted">Begin with one of these, or with a condition of your own:</p>
          <ul className="grid gap-1">
            {EXAMPLES.map(({ words, text: example }) => (
              <li key={words}>
                <button type="button" className="line-button" onClick={() => chooseText(example)}>
                  {words}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="max-w-[46rem] text-[1.15rem] leading-9" role="group" aria-label="What is asked">
        <AskedSentence gather={gather} context={context} part={part} onPart={setPart} />
      </p>
      <p className="mb-3 text-[1.02rem]" role="status">
        {isRead ? answer && <strong>{answer.total} found</strong> : <span className="text-late">{parsed.errors[0]?.message}</span>}
        {answer && answer.resting > 0 && <span className="text-muted"> · {answer.resting} rest and are left out</span>}
      </p>
      {part && (
        <section
          aria-label="What is changed"
          className="mb-4 max-w-[46rem] rounded-lg border border-edge bg-sheet p-3 shadow-md"
          onKeyDown={(event) => event.key === 'Escape' && setPart(null)}
        >
          <PartEditor gather={gather} context={context} part={part} onPart={setPart} onChange={change} />
        </section>
      )}
      {isRead && text.trim() !== '' && <AgendaLists key="answer" path="" gathers={[text]} look="page" titled={gather.title !== null} />}
      <label className="grid max-w-[46rem] gap-1">
        <span className="section-label">The same as text</span>
        <textarea
          className="field min-h-28 w-full font-mono text-[0.86rem]"
          spellCheck={false}
          aria-invalid={!isRead}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
    </Sheet>
  );
}

/** Where the gather is kept that one came from; null where it stands nowhere. */
const useKept = (): KeptGather | null => (useLocation().state as { kept?: KeptGather } | null)?.kept ?? null;

interface AskedSentenceProps {
  gather: Parameters<typeof sentenceOf>[0];
  context: Parameters<typeof sentenceOf>[1];
  part: AskedPart | null;
  onPart: (part: AskedPart | null) => void;
}

/** The sentence of a gather, whose parts are pressed; behind it what could still be said. */
function AskedSentence({ gather, context, part, onPart }: AskedSentenceProps) {
  const parts = sentenceOf(gather, context);
  const press = (words: string, asked: AskedPart) => {
    const isOpen = JSON.stringify(part) === JSON.stringify(asked);
    return (
      <button
        type="button"
        aria-expanded={isOpen}
        className={`inline rounded-md font-semibold underline decoration-primary decoration-[1.5px] underline-offset-4 hover:bg-raised ${isOpen ? 'bg-primary-soft px-1' : ''}`}
        onClick={() => onPart(isOpen ? null : asked)}
      >
        {words}
      </button>
    );
  };
  const ends = parts.length - 1;
  const lastCondition = Math.max(0, parts.map(({ clause }) => clause).lastIndexOf('where'));
  return (
    <>
      {parts.slice(0, ends).map((one, index) => {
        const asked = index === 0 ? ({ is: 'from' } as const) : partOf(one);
        const [before = '', words = one.words] = /^(, |\s)?(.*)$/.exec(one.words)?.slice(1) ?? [];
        return (
          <Fragment key={index}>
            {before}
            {asked ? press(words, asked) : words}
            {index === lastCondition && <> {press(gather.where ? '+ and' : '+ that', { is: 'more' })}</>}
          </Fragment>
        );
      })}
      {gather.groupBy.length === 0 && gather.form?.is !== 'board' && <>, {press('not in groups', { is: 'group' })}</>}
      {!gather.orderBy && <>, {press('in the usual order', { is: 'order' })}</>}
      {gather.limit === null && gather.limitPerGroup === null && <>, {press('all of them', { is: 'limit' })}</>}
      {', as '}
      {press(gather.form ? formText(gather.form) : 'list', { is: 'form' })}.
    </>
  );
}

function partOf({ clause, path }: SentencePart): AskedPart | null {
  switch (clause) {
    case 'where':
      return { is: 'condition', place: path, how: 'instead' };
    case 'group by':
      return { is: 'group' };
    case 'order by':
      return { is: 'order' };
    case 'limit':
    case 'limit per group':
    case 'including resting':
      return { is: 'limit' };
    case 'from':
    case 'steps apart':
      return { is: 'from' };
    case null:
      return null;
  }
}
