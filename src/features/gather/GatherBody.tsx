import { useMemo } from 'react';
import { refuse } from '../session/telling/messages';
import type { Gather, GroupKey } from '../../core/gather/language/ast';
import { type ClauseWord, withGatherClause } from '../../core/gather/saying/edit-clause';
import { Safe } from '../session/acting/Safe';
import { late } from '../../ui/late';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { GatherErrors } from './GatherErrors';
import { NewTaskLine } from './list/NewTaskLine';
import { RowMenus } from './rows/RowMenu';
import { Sentence } from './rows/Sentence';
import { drawingOf, writesItself } from './list/forms';
import { GatherSource } from './gather-source';
import type { ShownGather } from './use-gather';

/** Few gather from outside lists. */
const OutsideLine = late(() => import('../sharing/outside/OutsideLine').then((part) => part.OutsideLine));

interface GatherBodyProps {
  shown: ShownGather;
  /** The gather as its note has it. */
  written: string;
  at: string | null;
  /** The note that holds its text, where it is asked for another. */
  home?: string | null;
  /** Names the list, for what is kept beside it on this device. */
  name: string;
  groupHeading: 'h3' | 'h4';
  sentenceShown: boolean;
  /** Whether tasks can be written at its end. */
  writable: boolean;
}

/** What a gather comes to; should it fail to be drawn, the lists beside it go on. */
export function GatherBody(properties: GatherBodyProps) {
  return (
    <Safe part="This list" of={properties.shown.text}>
      <Body {...properties} />
    </Safe>
  );
}

/** What a gather comes to, in its form, with all that is said about it: the same on agenda pages, in notes and beside. */
function Body({ shown, written, at, home = at, name, groupHeading, sentenceShown, writable }: GatherBodyProps) {
  const { answer, gather, text, draft } = shown;
  const { actions } = useServices();
  const ofPage = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === home)?.kind === 'agenda');
  const source = useMemo(
    () => ({ text, at, groupBy: groupingOf(gather), kept: home === null || home === '' ? null : { home, text: written } }),
    [text, at, gather, home, written],
  );
  const Drawing = drawingOf(answer?.form ?? null);
  const key = gather.orderBy?.[0];
  const order = key ? { key: key.key, descending: key.descending } : null;
  // What is changed where the gather stands is remembered in its text; where it stands in no note it lasts as long as the page.
  const change = (word: ClauseWord, clause: string | null): void => {
    if (home === null || home === '') shown.change(word, clause);
    else void keep(withGatherClause(draft ?? written, word, clause));
  };
  const setOrder = (column: string): void =>
    change('order', order?.key === column ? (order.descending ? null : `order by ${column} desc`) : `order by ${column}`);
  const canWrite = writable && answer?.errors.length === 0 && (gather.from === 'tasks' || gather.list !== null);
  const writing = useMemo(() => (canWrite ? { gather, at, written } : null), [canWrite, gather, at, written]);
  const keep = async (kept: string): Promise<void> => {
    if (home === null) return;
    const result = await actions.editGather(home, written, kept);
    if ('refused' in result) refuse(result.refused);
  };
  return (
    <GatherSource value={source}>
      <RowMenus>
        {draft !== null && (
          <p role="status" className="no-print mb-1.5 flex flex-wrap items-center gap-2 rounded-md bg-raised px-2 py-0.5 text-[0.86rem]">
            <span className="flex-1 text-muted">Shown otherwise for now.</span>
            {home !== null && home !== '' && (
              <button type="button" className="quiet-button font-semibold" onClick={() => void keep(draft)}>
                Write it into the {ofPage ? 'page' : 'note'}
              </button>
            )}
            <button type="button" className="quiet-button" onClick={shown.discard}>
              Show it as before
            </button>
          </p>
        )}
        {sentenceShown && answer && <Sentence text={answer.sentence} />}
        {answer && <GatherErrors answer={answer} text={text} hints={home === at} />}
        {gather.from === 'outside' && <OutsideLine list={gather.list} />}
        <div className={answer && answer.errors.length > 0 ? 'opacity-60' : 'peer-data-[away=true]:opacity-60'}>
          {answer && (
            <Drawing
              answer={answer}
              groupHeading={groupHeading}
              name={name}
              showAll={shown.showAll}
              order={order}
              onOrder={setOrder}
              onClause={change}
              writing={writing}
            />
          )}
        </div>
        {writing && !writesItself(answer?.form ?? null) && <NewTaskLine {...writing} />}
      </RowMenus>
    </GatherSource>
  );
}

/** By what its rows are grouped: of a board, by its key. */
const groupingOf = ({ form, groupBy }: Gather): readonly GroupKey[] =>
  form?.is === 'board' ? [{ key: form.by, of: null, descending: false, byCount: false }] : groupBy;
