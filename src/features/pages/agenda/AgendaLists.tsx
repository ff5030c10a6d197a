import { ChevronDown, ChevronRight } from 'lucide-react';
import { useId, useState } from 'react';
import { Link } from 'react-router';
import { type Narrowing, NO_NARROWING, isNarrowed } from '../../../core/gather/answer/narrow';
import { GatherBody } from '../../gather/GatherBody';
import { headWords } from '../../gather/list/count-words';
import { ListMenu } from '../../gather/list/menu/ListMenu';
import { useFolded } from '../../gather/list/use-folded';
import { useGather } from '../../gather/use-gather';
import { helpAddress } from '../../session/places/addresses';
import { listName, useListAnswers } from '../../session/asked/use-answer';

interface AgendaListsProps {
  /** The note for which they are asked: the one that holds them, or that they stand under. */
  path: string;
  /** The note that holds their texts, where that is another. */
  home?: string;
  gathers: readonly string[];
  look: 'page' | 'cards';
  narrowing?: Narrowing;
  /** Whether each list says its title; when left out, only where there are several. */
  titled?: boolean;
  /** Whether it says so when no list finds anything; a page of several runs says it once itself. */
  saysEmpty?: boolean;
  /** Names the lists of the page, by which their answers are found; when left out, nobody looks for them. */
  lists?: string;
  /** How many lists of the page stand before these. */
  first?: number;
}

/** The gathers of an agenda page. One that finds nothing takes no room; when none finds anything, the page says so. */
export function AgendaLists({
  path,
  home = path,
  gathers,
  look,
  narrowing = NO_NARROWING,
  titled = gathers.length > 1,
  saysEmpty = true,
  lists,
  first = 0,
}: AgendaListsProps) {
  const own = useId();
  const page = lists ?? own;
  const answers = useListAnswers(page, first, gathers.length);
  const empty = gathers.length > 0 && answers.every((answer) => answer && answer.total + answer.errors.length === 0);
  return (
    <div data-lists>
      {gathers.map((text, index) => (
        <AgendaList
          key={index}
          index={first + index}
          name={listName(page, first + index)}
          text={text}
          at={path}
          home={home}
          look={look}
          narrowing={narrowing}
          titled={titled || look === 'cards'}
        />
      ))}
      {gathers.length === 0 && (
        <p className="text-muted">
          This page holds no gathers yet. Edit it as text and write one in a block that begins with ```gather.{' '}
          <Link className="underline" to={helpAddress('asking')}>
            How that is written
          </Link>
        </p>
      )}
      {empty && saysEmpty && <NothingHere narrowed={isNarrowed(narrowing)} />}
    </div>
  );
}

export function NothingHere({ narrowed }: { narrowed: boolean }) {
  return (
    <p className="text-muted">
      {narrowed ? 'Nothing is left with this narrowing.' : 'Nothing stands here now. Tasks come by themselves as soon as they match.'}{' '}
      <Link className="name-link" to={helpAddress('asking')}>
        How lists are asked for
      </Link>
    </p>
  );
}

interface AgendaListProps {
  text: string;
  /** Its place (from 0) among the gathers of the page. */
  index: number;
  at: string;
  home?: string;
  /** By which its answer is found. */
  name: string;
  look: 'page' | 'cards';
  narrowing: Narrowing;
  /** A page's only list would only repeat the page's title. */
  titled: boolean;
}

/** One list of an agenda page, with its own head where it has a title. */
function AgendaList({ text, index, at, home = at, name, look, narrowing, titled }: AgendaListProps) {
  const shown = useGather(text, at, index, narrowing, name, home);
  const { answer } = shown;
  const count = answer ? answer.total + answer.errors.length : -1;
  const [shownOnce, setShownOnce] = useState(false);
  const [sentenceShown, setSentenceShown] = useState(false);
  const kept = `${home}\n${answer?.title ?? text}`;
  const { folded, toggle } = useFolded(kept);
  const shut = folded.has(WHOLE);
  if (count > 0 && !shownOnce) setShownOnce(true);
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
          <ListMenu
            shown={shown}
            kept={home === '' ? null : { home, text }}
            at={at === '' ? null : at}
            sentenceShown={sentenceShown}
            onSentence={setSentenceShown}
            onEdit={null}
          />
        </span>
      </div>
      {!shut && (
        <GatherBody
          shown={shown}
          written={text}
          at={at === '' ? null : at}
          home={home === '' ? null : home}
          name={kept}
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
