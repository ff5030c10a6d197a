import { Fragment, useState } from 'react';
import type { Gather, GatherContext } from '../../../core/gather/language/ast';
import { type SentencePart, sentenceOf } from '../../../core/gather/saying/sentence';
import type { AskedPart } from './PartEditor';

interface AskedSentenceProps {
  gather: Gather;
  context: GatherContext;
  part: AskedPart | null;
  onPart: (part: AskedPart | null) => void;
}

/** The sentence of a gather, whose parts are pressed; behind it what could still be said. */
export function AskedSentence({ gather, context, part, onPart }: AskedSentenceProps) {
  const parts = sentenceOf(gather, context);
  /** Whether it offers, too, what is seldom said. */
  const [isWhole, setIsWhole] = useState(false);
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
  const lastCondition = Math.max(0, parts.map(({ clause }) => clause).lastIndexOf('where'));
  return (
    <>
      {parts.slice(0, -1).map((one, index) => {
        const asked = index === 0 ? ({ is: 'from' } as const) : partOf(one);
        const [before = '', words = one.words] = /^(, (?:as )?|\s)?(.*)$/.exec(one.words)?.slice(1) ?? [];
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
      {!gather.form && <>, as {press('list', { is: 'form' })}</>}
      {isWhole ? (
        <>
          {!gather.columns && <>, {press('showing what is usual', { is: 'columns' })}</>}
          {!gather.totals && <>, {press('summed up as usual', { is: 'totals' })}</>}
          {!gather.into && gather.from === 'tasks' && <>, {press('written into as usual', { is: 'into' })}</>}.
        </>
      ) : (
        <>
          .{' '}
          <button type="button" className="quiet-button text-[0.9rem]" onClick={() => setIsWhole(true)}>
            Say more
          </button>
        </>
      )}
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
    case 'columns':
    case 'totals':
    case 'into':
      return { is: clause };
    case 'as':
      return { is: 'form' };
    case null:
      return null;
  }
}
