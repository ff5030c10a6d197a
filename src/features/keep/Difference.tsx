import { useMemo } from 'react';
import { type WordPart, changedWords } from '../../core/keep/changed-words';
import { SameLines } from '../../ui/SameLines';
import type { Part } from '../../store/texts/compare-texts';

interface DifferenceProps {
  /** The two texts side by side; `these` is what stands now. */
  parts: readonly Part[];
  /** Brings the lines of one place back, by its number; null where that cannot be done. */
  onTake: ((place: number) => void) | null;
}

/** Where an earlier text and the present one differ, by words; each place can be brought back alone. */
export function Difference({ parts, onTake }: DifferenceProps) {
  let place = 0;
  return (
    <div className="grid gap-2">
      {parts.map((part, index) => {
        if (part.is === 'same')
          return (
            <SameLines key={index} lines={part.lines} words="that are the same" isFirst={index === 0} isLast={index === parts.length - 1} />
          );
        const here = place++;
        return <Place key={index} then={part.others} now={part.these} onTake={onTake && (() => onTake(here))} />;
      })}
    </div>
  );
}

function Place({ then, now, onTake }: { then: readonly string[]; now: readonly string[]; onTake: (() => void) | null }) {
  const words = useMemo(() => changedWords(then.join('\n'), now.join('\n')), [then, now]);
  return (
    <div className="rounded-lg border border-line p-2" data-place>
      <div className="grid gap-2 sm:grid-cols-2 sm:gap-5">
        <Side title="Then" parts={words.then} none="nothing stood here" className="bg-sun-soft decoration-2 underline" />
        <Side title="Now" parts={words.now} none="nothing stands here" className="bg-primary-soft font-semibold" />
      </div>
      {onTake && (
        <button type="button" className="quiet-button mt-1 text-[0.86rem]" onClick={onTake}>
          Bring these lines back
        </button>
      )}
    </div>
  );
}

function Side({ title, parts, none, className }: { title: string; parts: readonly WordPart[]; none: string; className: string }) {
  return (
    <div className="min-w-0">
      <p className="section-label">{title}</p>
      <p className="max-h-72 overflow-auto font-mono text-[0.82rem] [overflow-wrap:anywhere] whitespace-pre-wrap">
        {parts.length === 0 && <em className="text-muted">{none}</em>}
        {parts.map(({ words, own }, index) =>
          own ? (
            <mark key={index} className={`rounded-sm text-inherit ${className}`}>
              {words}
            </mark>
          ) : (
            <span key={index}>{words}</span>
          ),
        )}
      </p>
    </div>
  );
}
