import { useCallback, useMemo, useState } from 'react';
import { GatherErrors } from '../gather/GatherErrors';
import { headCounts } from '../gather/GatherBlock';
import { GatherList, countWords } from '../gather/GatherList';
import { Sentence, SentenceToggle } from '../gather/Sentence';
import { GatherSource } from '../gather/gather-source';
import { useGather } from '../gather/use-gather';
import { useReport } from './use-report';

interface AgendaListsProps {
  path: string;
  gathers: readonly string[];
  look: 'page' | 'cards';
}

/** The gathers of an agenda page. One that finds nothing takes no room; when none finds anything, the page says so. */
export function AgendaLists({ path, gathers, look }: AgendaListsProps) {
  const [counts, setCounts] = useState<Record<number, number>>({});
  const onCount = useCallback((index: number, count: number) => {
    setCounts((present) => (present[index] === count ? present : { ...present, [index]: count }));
  }, []);
  const empty = gathers.length > 0 && gathers.every((_, index) => counts[index] === 0);
  return (
    <div data-lists>
      {gathers.map((text, index) => (
        <AgendaList key={index} text={text} at={path} look={look} alone={gathers.length === 1} onCount={(count) => onCount(index, count)} />
      ))}
      {gathers.length === 0 && (
        <p className="text-muted">This page holds no gathers yet. Edit it as text and write one in a block that begins with ```gather.</p>
      )}
      {empty && <p className="text-muted">Nothing stands here now. Tasks come by themselves as soon as they match.</p>}
    </div>
  );
}

interface AgendaListProps {
  text: string;
  at: string;
  look: 'page' | 'cards';
  /** Whether it is the page's only list, whose title would only repeat the page's. */
  alone: boolean;
  onCount: (count: number) => void;
}

function AgendaList({ text, at, look, alone, onCount }: AgendaListProps) {
  const { answer, showAll } = useGather(text, at);
  const count = answer ? answer.total + answer.errors.length : -1;
  const [shownOnce, setShownOnce] = useState(false);
  const [sentenceShown, setSentenceShown] = useState(false);
  const source = useMemo(() => ({ text, at }), [text, at]);
  if (count > 0 && !shownOnce) setShownOnce(true);
  useReport(count, onCount);
  if (!answer) return <p className="py-1 text-muted">Gathering…</p>;
  const title = alone && look === 'page' ? null : (answer.title ?? 'Gathered');
  // A list that just became empty keeps its place until the row that was ticked is let go.
  const hidden = count === 0 && !shownOnce;
  if (hidden) return null;
  const card = look === 'cards' ? 'mb-2 rounded-lg bg-sheet px-3 py-2.5 text-[0.95rem]' : 'mb-6';
  return (
    <section className={card}>
      {title !== null && (
        <div className="mb-1 flex items-baseline justify-between gap-3">
          <h2 className={look === 'cards' ? 'text-[0.93rem] font-semibold text-muted' : 'font-title text-[1.17rem] font-semibold'}>
            {title}
          </h2>
          <span className="flex items-center gap-1 text-[0.86rem] font-semibold text-muted">
            {countWords(headCounts(answer))}
            <SentenceToggle shown={sentenceShown} onToggle={() => setSentenceShown(!sentenceShown)} />
          </span>
        </div>
      )}
      {sentenceShown && <Sentence text={answer.sentence} />}
      <GatherErrors answer={answer} text={text} />
      <GatherSource value={source}>
        <GatherList answer={answer} groupHeading="h3" showAll={showAll} />
      </GatherSource>
    </section>
  );
}
