import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { ListedGather } from '../../../core/formats/listed';
import type { ReviewStep } from '../../../core/review/review-steps';
import { throughAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { useChanges } from '../../session/asked/use-changes';

/** What a step leads to: where it is, and how much is left there. */
export interface StepPlace {
  path: string | null;
  isAgenda: boolean;
  /** Null where nothing is counted. */
  count: number | null;
  /** The gathers that are gone through; empty where there is nothing to go through. */
  gather: string | null;
}

/** Where a step leads, live; null as long as that is looked for, or where it leads nowhere. */
export function useStepPlace(step: ReviewStep | null, from: string): StepPlace | null {
  const { engine, store } = useServices();
  const changes = useChanges();
  const overview = useAppSelector((state) => state.library.overview);
  const [gather, setGather] = useState<{ text: string; count: number } | null>(null);
  const opens = step?.opens ?? null;
  const target = opens?.is === 'note' ? opens.target : null;
  const text = opens?.is === 'gather' ? opens.text : null;
  const path = useAsked('resolve', target === null ? null : { target, from }) ?? null;
  // Before the notes are read nothing is found, which would look as if nothing were left.
  const isReady = overview !== null;
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    const look = async (): Promise<void> => {
      const asked = text ?? (path === null ? null : firstGather(await store.text(path)));
      const found = asked === null ? [] : await engine.ask('matching', { text: asked, at: path ?? from });
      if (!gone) setGather(asked === null ? null : { text: asked, count: found.length });
    };
    void look();
    return () => {
      gone = true;
    };
  }, [engine, store, text, path, from, changes, isReady]);
  const note = overview?.notes.find((one) => one.path === path);
  const isAgenda = note?.kind === 'agenda';
  const open = path !== null && isAgenda ? overview?.agendaCounts[path] : undefined;
  // A page may gather notes, or what is finished: where no task is open there, what its lists hold is what is left.
  const lists = useAsked('listed', isAgenda && open === 0 ? { texts: null, at: path } : null);
  if (opens === null || opens.is === 'page') return null;
  if (opens.is === 'gather') return { path: null, isAgenda: false, count: gather?.count ?? null, gather: gather?.text ?? null };
  if (path === null) return null;
  const count = !isAgenda ? note?.open : open === 0 ? lists && rowsOf(lists) : open;
  // What holds no tasks is looked at, not gone through.
  return { path, isAgenda, count: count ?? null, gather: gather && gather.count > 0 ? gather.text : null };
}

const rowsOf = (lists: readonly ListedGather[]): number =>
  lists.flatMap(({ groups }) => groups).reduce((sum, { rows }) => sum + rows.length, 0);

/** The text of the first gather of a page. */
const firstGather = (text: string | null): string | null => /^```gather[ \t]*\r?\n([^]*?)^```/m.exec(text ?? '')?.[1] ?? null;

/** What a step opens: a page beside, another in the middle, or its list one task after the other. */
export function StepOpens({ step, place, from }: { step: ReviewStep; place: StepPlace | null; from: string }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { opens } = step;
  const path = place?.path ?? null;
  const gather = place?.gather ?? null;
  return (
    <>
      {path !== null && place && (
        <button
          type="button"
          className="line-button"
          onClick={() => dispatch(frameSlice.actions.besideChosen({ is: place.isAgenda ? 'agenda' : 'text', path }))}
        >
          Open it beside
        </button>
      )}
      {opens?.is === 'gather' && (
        <button
          type="button"
          className="line-button"
          onClick={() => dispatch(frameSlice.actions.besideChosen({ is: 'gather', name: step.words, text: opens.text, at: from }))}
        >
          Open it beside
        </button>
      )}
      {opens?.is === 'page' && (
        <button type="button" className="line-button" onClick={() => void navigate(opens.address)}>
          Open it
        </button>
      )}
      {gather !== null && place?.count !== 0 && (
        <button type="button" className="line-button" onClick={() => void navigate(throughAddress(gather, path ?? from))}>
          Go through
        </button>
      )}
    </>
  );
}
