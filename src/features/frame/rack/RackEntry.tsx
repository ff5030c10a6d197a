import { ChevronDown, ChevronRight } from 'lucide-react';
import { type ReactNode, memo, useState } from 'react';
import { late } from '../../../ui/late';
import { useFold } from './use-fold';

/** Few lend anything. */
const LentShape = late(() => import('../../sharing/lend/LentSign').then((part) => part.LentShape));

interface EntryProps {
  to: string;
  words: string;
  count: number;
  indent?: number;
  weighty?: boolean;
  title?: string | undefined;
  /** Whether something in it is lent. */
  isLent?: boolean;
  /** Whether it is a note that is sealed. */
  isSealed?: boolean;
  /** Whether it is the page that is shown. */
  here: boolean;
}

/** Few seal anything. */
const SealShape = late(() => import('../../sharing/seal/SealShape').then((part) => part.SealShape));

/** A page on the rack, with its count of open tasks. A plain link: the rack follows clicks on all of them. */
export const Entry = memo(function Entry({
  to,
  words,
  count,
  indent = 0,
  weighty = false,
  title,
  isLent = false,
  isSealed = false,
  here,
}: EntryProps) {
  return (
    <a
      href={to}
      data-route
      title={title}
      aria-current={here ? 'page' : undefined}
      className={`flex min-h-[26px] items-center gap-2 rounded-md px-2 hover:bg-raised ${here ? 'bg-sheet font-semibold' : ''}`}
      style={{ paddingInlineStart: `${8 + indent}px` }}
    >
      <span className="min-w-0 flex-1 truncate">{words}</span>
      {isLent && <LentShape />}
      {isSealed && <SealShape />}
      <span className={`text-[0.82rem] tabular-nums ${weighty && count > 0 ? 'font-bold text-late' : 'text-muted'}`}>{count || ''}</span>
    </a>
  );
});

/** A part of the rack under its own small heading, which folds it; it stays as it was left. */
export function Section({ title, action, children }: { title: string; action?: ReactNode; children: ReactNode }) {
  const [isOpen, turn] = useFold(title);
  return (
    <section className="mt-3 first:mt-1" aria-label={title}>
      <div className="flex min-h-[26px] items-center justify-between">
        <h2 className="min-w-0 flex-1">
          <button
            type="button"
            aria-expanded={isOpen}
            className="group/part flex min-h-[26px] w-full items-center gap-1 rounded-md px-2 section-label hover:bg-raised"
            onClick={turn}
          >
            {title}
            <Sign isOpen={isOpen} isQuiet={isOpen} />
          </button>
        </h2>
        {action}
      </div>
      {isOpen && children}
    </section>
  );
}

interface FoldedProps {
  /** What it is remembered by. */
  part: string;
  title: string;
  /** Whether the page that is shown is among the entries: then they are in sight, unless they are folded on purpose. */
  holdsHere: boolean;
  children: ReactNode;
}

/** Entries that are seldom wanted, folded under one line until it is pressed. */
export function Folded({ part, title, holdsHere, children }: FoldedProps) {
  const [isTurned, turn] = useFold(part, true);
  const [shut, setShut] = useState({ here: holdsHere, is: false });
  // Another page was gone to.
  if (shut.here !== holdsHere) setShut({ here: holdsHere, is: false });
  const isOpen = isTurned || (holdsHere && !shut.is);
  return (
    <>
      <button
        type="button"
        aria-expanded={isOpen}
        className="flex min-h-[26px] w-full items-center gap-1 rounded-md px-2 text-start text-muted hover:bg-raised"
        onClick={() => {
          if (!holdsHere || isTurned === isOpen) turn();
          setShut({ here: holdsHere, is: isOpen });
        }}
      >
        {title}
        <Sign isOpen={isOpen} />
      </button>
      {isOpen && children}
    </>
  );
}

/** Tells that a line folds what is under it; quietly where it stands at every part. */
function Sign({ isOpen, isQuiet = false }: { isOpen: boolean; isQuiet?: boolean }) {
  const Chevron = isOpen ? ChevronDown : ChevronRight;
  return (
    <Chevron
      size={12}
      aria-hidden="true"
      className={isQuiet ? 'opacity-0 group-hover/part:opacity-100 group-focus-visible/part:opacity-100' : ''}
    />
  );
}
