import { useEffect, useRef, useState } from 'react';
import { Sheet } from '../../note/page/Sheet';
import { refuse } from '../../session/telling/messages';
import { useAppSelector } from '../../session/state/state';
import { useStoreSlip } from '../../slip/use-store-slip';
import { useTodayPath } from '../../session/acting/use-land-task';
import { deviceMemory } from '../../../store/device/device-memory';

const TYPED = 'recado brainstorm';
const MINUTES = 5;

/** A calm sheet for five minutes: whatever comes to mind, a line each; the lines become tasks. */
export function BrainstormPage() {
  const journal = useTodayPath();
  const store = useStoreSlip(null);
  const { loosePlace, slipHeading } = useAppSelector((state) => state.settings);
  const [words, setWords] = useState(() => deviceMemory.get(TYPED) ?? '');
  const [left, setLeft] = useState<number | null>(null);
  const ends = useRef<number | null>(null);
  const [stored, setStored] = useState(0);
  // What was typed is there again when the page was left.
  useEffect(() => void deviceMemory.set(TYPED, words), [words]);
  const isGoing = left !== null;
  useEffect(() => {
    if (!isGoing) return;
    const timer = setInterval(() => ends.current !== null && setLeft(Math.max(0, Math.ceil((ends.current - Date.now()) / 1000))), 500);
    return () => clearInterval(timer);
  }, [isGoing]);
  const lines = words
    .split('\n')
    .map((line) => line.trim().replace(/^(?:[-*+]\s+)?(?:\[.\]\s+)?/, ''))
    .filter((line) => line !== '');
  const keep = async (): Promise<void> => {
    const landing = loosePlace === 'journal' ? { note: journal, heading: slipHeading } : { note: loosePlace, heading: null };
    const refused = await store({ text: lines.map((line) => `- [ ] ${line}`), landing });
    if (refused !== null) {
      refuse(refused);
      return;
    }
    setStored(lines.length);
    setWords('');
    setLeft(null);
  };
  return (
    <Sheet title="Brainstorm">
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h1 className="font-title text-[1.86rem] leading-tight font-bold">Brainstorm</h1>
        <p className="text-muted">Whatever is on your mind, a line each. The lines become tasks.</p>
        <p role="timer" className="ms-auto font-semibold tabular-nums">
          {left === null ? `${MINUTES}:00` : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`}
        </p>
      </header>
      <textarea
        aria-label="Lines that become tasks"
        autoFocus
        rows={14}
        className="field mb-3 w-full text-[1.05rem] leading-7"
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          if (left !== null) return;
          // The first letter starts the time.
          ends.current = Date.now() + MINUTES * 60_000;
          setLeft(MINUTES * 60);
        }}
      />
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="solid-button" disabled={lines.length === 0} onClick={() => void keep()}>
          {lines.length === 1 ? 'Make it a task' : `Make ${lines.length} tasks`}
        </button>
        <span role="status" className="text-muted">
          {left === 0
            ? 'The time is over. Finish your line; nothing stops you.'
            : stored > 0 && lines.length === 0
              ? stored === 1
                ? 'One task was made.'
                : `${stored} tasks were made.`
              : ''}
        </span>
      </p>
    </Sheet>
  );
}
