import { useMemo, useState } from 'react';
import { Sentence, SentenceToggle } from './Sentence';
import { GatherSource } from './gather-source';
import { useGather } from './use-gather';
import { GatherList, countWords } from './GatherList';
import { GatherErrors } from './GatherErrors';

/** A gather block of a note, live in its place. */
export function GatherBlock({ text, at, onEdit }: { text: string; at: string; onEdit: () => void }) {
  const { answer, showAll } = useGather(text, at);
  const [shown, setShown] = useState(false);
  const source = useMemo(() => ({ text, at }), [text, at]);
  return (
    <div className="on-raised my-1 rounded-e-lg border-s-[3px] border-primary bg-raised px-3.5 py-2.5 text-[0.97rem] whitespace-normal">
      <div className="mb-1 flex items-baseline justify-between gap-4">
        <strong className="font-semibold">{answer?.title ?? 'Gathered'}</strong>
        <span className="flex items-center gap-2 text-[0.82rem] text-muted">
          {answer ? countWords(headCounts(answer)) : 'gathering…'}
          <SentenceToggle shown={shown} onToggle={() => setShown(!shown)} />
          <button type="button" className="quiet-button no-print" onClick={onEdit}>
            Edit
          </button>
        </span>
      </div>
      {shown && answer && <Sentence text={answer.sentence} />}
      {answer && <GatherErrors answer={answer} text={text} />}
      <GatherSource value={source}>
        <GatherList answer={answer} groupHeading="h4" showAll={showAll} />
      </GatherSource>
      {answer?.total === 0 && answer.errors.length === 0 && (
        <p className="text-muted">No task matches. Those that come to match will show here by themselves.</p>
      )}
    </div>
  );
}

/** Count and time of a whole answer. A task in two groups is counted once, its time once a group. */
export function headCounts(answer: { total: number; groups: { takes: number }[] }): { count: number; takes: number } {
  return { count: answer.total, takes: answer.groups.reduce((sum, group) => sum + group.takes, 0) };
}
