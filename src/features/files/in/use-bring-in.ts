import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import type { Choices } from '../../../core/formats/in/incoming';
import { foldName } from '../../../core/note/names/names';
import type { BringInPlan } from '../../../engine/files/bring-in';
import type { Files } from '../../../engine/files/files';
import type { GivenFile } from '../../../engine/files/read-given';
import type { ImportReport } from '../../../store/notes/import/import-notes';
import { refuse } from '../../session/telling/messages';
import { useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import type { RootState } from '../../session/state/state';
import { useReading } from '../../session/state/use-reading';
import { cameInWords } from './BringInReport';
import { keepChoices, keptChoices } from './choices-kept';
import { whyFailed } from '../../session/telling/why-failed';

/** How far files are that come in. */
export type Phase =
  | { is: 'asking' }
  | { is: 'reading'; read: number }
  | { is: 'deciding'; plan: BringInPlan; choices: Choices; stale: boolean }
  | { is: 'coming'; stored: number }
  | { is: 'done'; report: ImportReport };

export interface BringInSteps {
  phase: Phase;
  read: (given: GivenFile[]) => Promise<void>;
  choose: (choices: Choices) => Promise<void>;
  bringIn: () => Promise<void>;
  stop: () => void;
}

/** Files are read by the worker, what they come to is shown, and by what is decided they come in. Whoever leaves stops it. */
export function useBringIn(onCameIn: (() => void) | undefined): BringInSteps {
  const { store } = useServices();
  const redux = useStore<RootState>();
  const reading = useReading();
  const told = useToldDone();
  const [phase, setPhase] = useState<Phase>({ is: 'asking' });
  const files = useRef<Files | null>(null);
  const asked = useRef(0);
  const here = useRef(true);
  const isComing = useRef(false);
  const [stopping] = useState(() => ({ signal: new AbortController() }));
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
      stopping.signal.abort();
      // What is coming in is handed on to its end, so that it is told and can be taken back.
      if (!isComing.current) files.current?.end();
    };
  }, [stopping]);

  const failed = (error: unknown): void => {
    if (!here.current) return;
    refuse(`The files could not be read. ${whyFailed(error)} Your notes are as they were.`);
    setPhase({ is: 'asking' });
  };
  const read = async (given: GivenFile[]): Promise<void> => {
    if (given.length === 0) return;
    setPhase({ is: 'reading', read: 0 });
    try {
      const worker = await openFiles();
      files.current?.end();
      files.current = worker;
      if (!here.current) return worker.end();
      const people = redux.getState().library.overview?.people ?? [];
      const handles = people.filter(({ path }) => path !== null).map(({ name }) => foldName(name));
      await worker.read(given, reading, handles, (count) => here.current && setPhase({ is: 'reading', read: count }));
      const choices = await keptChoices(store);
      const plan = await worker.plan(choices);
      if (here.current) setPhase({ is: 'deciding', plan, choices, stale: false });
    } catch (error) {
      failed(error);
    }
  };
  const choose = async (choices: Choices): Promise<void> => {
    const present = ++asked.current;
    setPhase((one) => (one.is === 'deciding' ? { ...one, choices, stale: true } : one));
    try {
      const plan = await files.current?.plan(choices);
      if (plan && here.current && present === asked.current) setPhase({ is: 'deciding', plan, choices, stale: false });
    } catch (error) {
      failed(error);
    }
  };
  const bringIn = async (): Promise<void> => {
    const worker = files.current;
    if (phase.is !== 'deciding' || !worker) return;
    const { choices } = phase;
    setPhase({ is: 'coming', stored: 0 });
    isComing.current = true;
    stopping.signal = new AbortController();
    const { importNotes } = await import('../../../store/notes/import/import-notes');
    const report = await importNotes(
      worker.arrivals(choices),
      store,
      (stored) => here.current && setPhase({ is: 'coming', stored }),
      stopping.signal.signal,
    );
    worker.end();
    files.current = null;
    isComing.current = false;
    await keepChoices(store, choices);
    onCameIn?.();
    if (here.current) setPhase({ is: 'done', report });
    else told(cameInWords(report), report.step);
  };
  const stop = (): void => {
    stopping.signal.abort();
    if (phase.is !== 'reading') return;
    files.current?.end();
    files.current = null;
    setPhase({ is: 'asking' });
  };
  return { phase, read, choose, bringIn, stop };
}

/** The worker for files is no part of the first load. */
async function openFiles(): Promise<Files> {
  const { Files: Worker } = await import('../../../engine/files/files');
  return new Worker();
}
