import { ChevronDown, ChevronRight } from 'lucide-react';
import { useCallback, useState } from 'react';
import { type Narrowing, NO_NARROWING, isNarrowed } from '../../core/gather/answer/narrow';
import type { AnswerView } from '../../core/index/live/view';
import { GatherBody } from '../gather/GatherBody';
import { headWords } from '../gather/list/count-words';
import { ListMenu } from '../gather/list/ListMenu';
import { useFolded } from '../gather/list/use-folded';
import { useGather } from '../gather/use-gather';
import { useReport } from './use-report';

interface AgendaListsProps {
  path: string;
  gathers: readonly string[];
  look: 'page' | 'cards';
  narrowing?: Narrowing;
  /** Whether each list says its title; when left out, only where there are several. */
  titled?: boolean;
  /** Whether it says so when no list finds anything; a page of several runs says it once itself. */
  saysEmpty?: boolean;
  /** Told of the answers, for what can be narrowed by. */
  onAnswer?: (index: number, answer: AnswerView | undefined) => void;
}

/** The gathers of an agenda page. One that finds nothing takes no room; when none finds anything, the page says so. */
export function AgendaLists({
  path,
  gathers,
  look,
  narrowing = NO_NARROWING,
  titled = gathers.length > 1,
  saysEmpty = true,
  onAnswer,
}: AgendaListsProps) {
  const [counts, setCounts] = useState<Record<number, number>>({});
  const onCount = useCallback((index: number, count: number) => {
    setCounts((present) => (present[index] === count ? present : { ...present, [index]: count }));
  }, []);
  const empty = gathers.length > 0 && gathers.every((_, index) => counts[index] === 0);
  return (
    <div data-lists>
      {gathers.map((text, index) => (
        <AgendaList
          key={index}
          index={index}
          text={text}
          at={path}
          look={look}
          narrowing={narrowing}
          titled={titled || look === 'cards'}
          onCount={(count) => onCount(index, count)}
          onAnswer={onAnswer && ((answer) => onAnswer(index, answer))}
        />
      ))}
      {gathers.length === 0 && (
        <p className="text-muted">This page holds no gathers yet. Edit it as text and write one in a block that begins with ```gather.</p>
      )}
      {empty && saysEmpty && <NothingHere narrowed={isNarrowed(narrowing)} />}
    </div>
  );
}

export function NothingHere({ narrowed }: { narrowed: boolean }) {
  return (
    <p className="text-muted">
      {narrowed ? 'Nothing is left with this narrowing.' : 'Nothing stands here now. Tasks come by themselves as soon as they match.'}
    </p>
  );
}

interface AgendaListProps {
  text: string;
  /** Its place (from 0) among the gathers of the page. */
  index: number;
  at: string;
  look: 'page' | 'cards';
  narrowing: Narrowing;
  /** A page's only list would only repeat the page's title. */
  titled: boolean;
  onCount: (count: number) => void;
  onAnswer: ((answer: AnswerView | undefined) => void) | undefined;
}

/** One list of an agenda page, with its own head where it has a title. */
export function AgendaList({ text, index, at, look, narrowing, titled, onCount, onAnswer }: AgendaListProps) {
  const shown = useGather(text, at, index, narrowing);
  const { answer } = shown;
  const count = answer ? answer.total + answer.errors.length : -1;
  const [shownOnce, setShownOnce] = useState(false);
  const [sentenceShown, setSentenceShown] = useState(false);
  const name = `${at}\n${answer?.title ?? text}`;
  const { folded, toggle } = useFolded(name);
  const shut = folded.has(WHOLE);
  if (count > 0 && !shownOnce) setShownOnce(true);
  useReport(count, onCount);
  useReport(answer, onAnswer ?? ignore);
  if (!answer) return <p className="py-1 text-muted">Gathering…</p>;
  // A list that just became empty keeps its place until the row that was ticked is let go.
  if (count === 0 && !shownOnce && shown.draft === null) return null;
  const card = look === 'cards' ? 'mb-2 rounded-lg bg-sheet px-3 py-2.5 text-[0.95rem]' : 'mb-6';
  return (
    <section className={card} aria-label={answer.title ?? 'Gathered'}>
      <div className="mb-1 flex items-baseline justify-between gap-3">
        {titled ? (
          <h2 className={look === 'cards' ? 'text-[0.93rem] font-semibold text-muted' : 'font-title text-[1.17rem] font-semibold'}>
            <button
              type="button"
              aria-expanded={!shut}
              className="-ms-1.5 flex items-center gap-1 rounded-md px-1.5 text-start hover:bg-raised"
              onClick={() => toggle(WHOLE)}
            >
              {shut ? <ChevronRight size={14} aria-hidden="true" /> : <ChevronDown size={14} aria-hidden="true" />}
              {answer.title ?? 'Gathered'}
            </button>
          </h2>
        ) : (
          <span />
        )}
        <span className="flex items-center gap-1 text-[0.86rem] font-semibold text-muted">
          {headWords(answer)}
          <ListMenu shown={shown} at={at === '' ? null : at} sentenceShown={sentenceShown} onSentence={setSentenceShown} onEdit={null} />
        </span>
      </div>
      {!shut && (
        <GatherBody
          shown={shown}
          written={text}
          at={at === '' ? null : at}
          name={name}
          groupHeading="h3"
          sentenceShown={sentenceShown}
          writable={look === 'page'}
        />
      )}
    </section>
  );
}

/** Stands for the whole list among its folded groups. */
const WHOLE = '*';
const ignore = (): void => undefined;
