import { useEffect, useMemo, useState } from 'react';
import { statusTable } from '../../core/task/added-status';
import type { AddedStatus } from '../../core/task/status';
import type { Problem, ReadingSettings } from '../../core/task/task';
import { useServices } from '../session/services';
import { useAppSelector } from '../session/state';

/** The names that more than one note has; the same set until they change. */
export function useSharedNames(): ReadonlySet<string> {
  const words = useAppSelector((state) => state.library.overview?.sharedNames.join('\n') ?? '');
  return useMemo(() => new Set(words.split('\n')), [words]);
}

/** How texts are read, with the statuses that notes add; the same object until that changes. */
export function useReading(): ReadingSettings {
  const workingDay = useAppSelector((state) => state.settings.workingDay);
  const words = useAppSelector((state) => JSON.stringify(state.library.overview?.statuses ?? []));
  return useMemo(() => ({ workingDay, statuses: statusTable(JSON.parse(words) as AddedStatus[]) }), [workingDay, words]);
}

const NONE: ReadonlyMap<number, readonly Problem[]> = new Map();

/** What is wrong with what a note's tasks point at, by line; asked again whenever the library changed. */
export function useRefProblems(path: string): ReadonlyMap<number, readonly Problem[]> {
  const { engine } = useServices();
  const overview = useAppSelector((state) => state.library.overview);
  const [problems, setProblems] = useState(NONE);
  useEffect(() => {
    if (!overview) return;
    let current = true;
    void engine.refProblems(path).then((found) => {
      if (!current) return;
      setProblems((before) => (found.length === 0 && before.size === 0 ? before : new Map(found.map((one) => [one.line, one.problems]))));
    });
    return () => {
      current = false;
    };
  }, [engine, path, overview]);
  return problems;
}
