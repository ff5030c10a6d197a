import { useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { parseGather } from '../../../core/gather/language/parse';
import { withMore } from '../../../core/gather/saying/edit-condition';
import { gatherBlock } from '../../../core/gather/saying/gather-block';
import { printGather } from '../../../core/gather/saying/print';
import { sentenceText } from '../../../core/gather/saying/sentence';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { LazyGatherText } from '../../editor/gather/LazyGatherText';
import { useTypedParameter } from '../../pages/find/use-typed-parameter';
import { isWide } from '../list/forms';
import { useContextAt } from '../use-context-at';
import { Sheet } from '../../note/page/Sheet';
import { copyText } from '../../session/acting/copy-text';
import { refuse } from '../../session/telling/messages';
import type { KeptGather } from '../../session/acting/task-dialog';
import { askAddress, noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useAnswer } from '../../session/asked/use-answer';
import { AskedSentence } from './AskedSentence';
import { Beginnings } from './Beginnings';
import { type AskedPart, PartEditor } from './PartEditor';

/** A gather is made by pointing: its sentence is its face, and each part of it is pressed to change it. */
export function AskPage() {
  // What is typed stands in the address, which takes away what else the entry knew.
  const [{ kept = null, place = null }] = useState(useCameWith());
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const { actions } = useServices();
  const [text, setText, chooseText, settle] = useTypedParameter('q');
  const [name, setName] = useState('');
  const [part, setPart] = useState<AskedPart | null>(place && { is: 'condition', place, how: 'instead' });
  const context = useContextAt(null);
  const parsed = useMemo(() => parseGather(text), [text]);
  const [good, setGood] = useState(parsed.gather);
  const isRead = parsed.errors.length === 0;
  if (isRead && good !== parsed.gather) setGood(parsed.gather);
  const gather = isRead ? parsed.gather : good;
  const isEmpty = text.trim() === '';
  const answer = useAnswer(isRead && !isEmpty ? text : null, null);
  const home = useAppSelector((state) => state.library.overview?.notes.find(({ path }) => path === kept?.home));
  const ownRows = useMemo(
    () => answer?.groups.reduce((sum, { rows }) => sum + rows.filter(({ path }) => path === home?.path).length, 0) ?? 0,
    [answer, home],
  );
  const change = (next: typeof gather): void => chooseText(printGather(next));
  const keep = async (): Promise<void> => {
    const title = name.trim();
    const made = await actions.create('Agenda', title, `---\nkind: agenda\n---\n\n${gatherBlock(text)}`);
    if ('refused' in made) refuse(made.refused);
    else void navigate(noteAddress(made.path));
  };
  const putBack = async ({ home: path, text: written }: KeptGather): Promise<void> => {
    const result = await actions.editGather(path, written, text.trim());
    if ('refused' in result) refuse(result.refused);
    else void navigate(noteAddress(path));
  };
  const show = (dialog: Parameters<typeof frameSlice.actions.dialogShown>[0]): void =>
    void dispatch(frameSlice.actions.dialogShown(dialog));
  const address = askAddress(text);
  const isPinned = useAppSelector((state) => state.frame.pins.some((one) => one.address === address));
  const pin = (): void => {
    const title = name.trim() || gather.title || sentenceText(gather, context).replace(/\.$/, '');
    dispatch(frameSlice.actions.pinToggled({ title: title.slice(0, 60), address }));
  };
  return (
    <Sheet title="Ask by pointing" wide={isWide(text)}>
      <header className="mb-3 max-w-[46rem]">
        <h1 className="text-[0.86rem] text-muted">Ask by pointing</h1>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') void keep();
          }}
        >
          <input
            className="w-full rounded-md bg-transparent font-title text-[1.86rem] leading-tight font-bold"
            aria-label="Name of the page"
            placeholder="A page without a name yet"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <p className="flex flex-wrap items-center gap-1">
            {kept && (
              <button type="button" className="solid-button" disabled={!isRead || isEmpty} onClick={() => void putBack(kept)}>
                Put it back
              </button>
            )}
            <button type="submit" className={kept ? 'quiet-button' : 'solid-button'} disabled={name.trim() === '' || !isRead || isEmpty}>
              Keep as an agenda page
            </button>
            <button
              type="button"
              className="quiet-button"
              disabled={!isRead || isEmpty}
              onClick={() => show({ is: 'place', what: 'gather', text })}
            >
              Put into a note
            </button>
            <button type="button" className="quiet-button" disabled={!isRead || isEmpty} onClick={pin}>
              {isPinned ? 'Pinned' : 'Pin'}
            </button>
            <button type="button" className="quiet-button" disabled={!isRead || isEmpty} onClick={() => void copyText(gatherBlock(text))}>
              Copy
            </button>
          </p>
        </form>
      </header>
      {isEmpty && <Beginnings onBegin={chooseText} />}
      <p className="max-w-[46rem] text-[1.15rem] leading-9" role="group" aria-label="What is asked">
        <AskedSentence gather={gather} context={context} part={part} onPart={setPart} />
      </p>
      <p className="mb-3 text-[1.02rem]">
        <span role="status">
          {isRead ? answer && <strong>{answer.total} found</strong> : <span className="text-late">{parsed.errors[0]?.message}</span>}
          {answer && answer.resting > 0 && <span className="text-muted"> · {answer.resting} rest and are left out</span>}
        </span>
        {home && ownRows > 0 && (
          <button
            type="button"
            className="line-button ms-3 text-[0.9rem]"
            onClick={() =>
              change({ ...gather, where: withMore(gather.where, { is: 'place', field: 'note', same: false, value: home.title }) })
            }
          >
            Leave out what stands on “{home.title}” itself ({ownRows})
          </button>
        )}
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
      {isRead && !isEmpty && <AgendaLists key="answer" path="" gathers={[text]} look="page" titled={gather.title !== null} />}
      <div className="grid max-w-[46rem] gap-1" onBlur={settle}>
        <span className="section-label">The same as text</span>
        <LazyGatherText label="The same as text" text={text} onText={setText} />
      </div>
    </Sheet>
  );
}

/** What one came with: where the gather is kept, and which of its conditions is to be changed. */
const useCameWith = (): { kept?: KeptGather | null; place?: readonly number[] } =>
  (useLocation().state as { kept?: KeptGather | null; place?: readonly number[] } | null) ?? {};
