import { type KeyboardEvent, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { parseGather } from '../../../core/gather/language/parse';
import { Sheet } from '../../note/page/Sheet';
import { noteAddress } from '../../session/places/addresses';
import { useParameter } from '../../session/places/routes';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { ThroughCard } from './ThroughCard';
import { ThroughEnd } from './ThroughEnd';
import { type Decision, decisionsOn } from './decisions';
import { useThrough } from './use-through';

/** A calm page: one task of a list after the other, and a key for each decision. */
export function ThroughPage() {
  const text = useParameter('q') ?? 'open';
  const place = useParameter('of');
  const { day: today } = useNow();
  const notNow = useAppSelector((state) => state.settings.notNowTag);
  const shown = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === place)?.title);
  const dialog = useAppSelector((state) => state.frame.dialog);
  const through = useThrough(text, place);
  const decisions = useMemo(() => decisionsOn(today, notNow), [today, notNow]);
  const [rewording, setRewording] = useState(false);
  const sheet = useRef<HTMLDivElement>(null);
  const title = parseGather(text).gather.title ?? shown ?? 'A list';
  const at = through?.at;
  // The keys work as soon as a task lies there, and again when a dialog was closed.
  useLayoutEffect(() => {
    setRewording(false);
    if (dialog === null && at !== undefined) sheet.current?.focus({ preventScroll: true });
  }, [at, dialog]);
  const choose = (decision: Decision): void => {
    if (decision.does === 'reword') setRewording(true);
    else through?.decide(decision);
  };
  const onKey = (event: KeyboardEvent): void => {
    if (!through || event.target instanceof HTMLInputElement || event.altKey) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !event.shiftKey) through.undo();
    else if (event.ctrlKey || event.metaKey) return;
    else if (event.key === 'ArrowRight' || (event.key === 'Enter' && event.target === sheet.current)) through.to(through.at + 1);
    else if (event.key === 'ArrowLeft') through.to(through.at - 1);
    else {
      const decision = decisions.find(({ key }) => key === event.key.toLowerCase());
      if (!decision || through.at >= through.tasks.length) return;
      choose(decision);
    }
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <Sheet title={`Go through: ${title}`}>
      <header className="mb-4 flex flex-wrap items-baseline gap-x-3">
        <h1 className="font-title text-[1.86rem] leading-tight font-bold">Go through</h1>
        <p className="text-muted">
          {place === null ? (
            title
          ) : (
            <Link className="name-link" to={noteAddress(place)}>
              {title}
            </Link>
          )}
        </p>
        {through && through.tasks.length > 0 && (
          <p role="status" className="ms-auto font-semibold tabular-nums">
            {Math.min(through.at + 1, through.tasks.length)} of {through.tasks.length}
          </p>
        )}
      </header>
      {!through ? (
        <p className="text-muted">Gathering…</p>
      ) : through.tasks.length === 0 ? (
        <p className="text-muted">Nothing stands in this list now, so there is nothing to go through.</p>
      ) : (
        // The letters are keys only while the sheet or what is on it has the focus.
        <div ref={sheet} tabIndex={-1} role="group" aria-label="The task that lies before you" className="outline-none" onKeyDown={onKey}>
          {through.at >= through.tasks.length ? (
            <ThroughEnd through={through} place={place} />
          ) : (
            <ThroughCard through={through} decisions={decisions} rewording={rewording} onRewording={setRewording} onChoose={choose} />
          )}
        </div>
      )}
    </Sheet>
  );
}
