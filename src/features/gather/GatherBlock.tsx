import { useState } from 'react';
import { Link } from 'react-router';
import { helpAddress } from '../session/places/addresses';
import { GatherBody } from './GatherBody';
import { headWords } from './list/count-words';
import { ListMenu } from './list/menu/ListMenu';
import { useGather } from './use-gather';

interface GatherBlockProps {
  text: string;
  at: string;
  /** Its place (from 0) among the gathers of the note. */
  index: number;
  onEdit: () => void;
}

/** A gather block of a note, live in its place. */
export function GatherBlock({ text, at, index, onEdit }: GatherBlockProps) {
  const shown = useGather(text, at, index);
  const { answer } = shown;
  const [sentenceShown, setSentenceShown] = useState(false);
  return (
    <div
      className="on-raised my-1 rounded-e-lg border-s-[3px] border-primary bg-raised px-3.5 py-2.5 text-[0.97rem] whitespace-normal"
      data-lists
    >
      <div className="mb-1 flex items-baseline justify-between gap-4">
        <strong className="font-semibold">{answer?.title ?? 'Gathered'}</strong>
        <span className="flex items-center gap-1 text-[0.82rem] text-muted">
          {answer ? headWords(answer) : 'gathering…'}
          <ListMenu
            shown={shown}
            kept={{ home: at, text }}
            at={at}
            sentenceShown={sentenceShown}
            onSentence={setSentenceShown}
            onEdit={onEdit}
          />
          <button type="button" className="quiet-button no-print" onClick={onEdit}>
            Edit
          </button>
        </span>
      </div>
      <GatherBody
        shown={shown}
        written={text}
        at={at}
        name={`${at}\n${answer?.title ?? text}`}
        groupHeading="h4"
        sentenceShown={sentenceShown}
        writable
      />
      {answer?.total === 0 && answer.errors.length === 0 && (
        <p className="text-muted">
          No task matches. Those that come to match will show here by themselves.{' '}
          <Link className="name-link" to={helpAddress('asking')}>
            How a list is asked for
          </Link>
        </p>
      )}
    </div>
  );
}
