import { useEffect, useMemo, useState } from 'react';
import { foldName } from '../../../core/note/names/names';
import type { Problem } from '../../../core/task/line/task';
import { foldPath } from '../../../core/note/names/path';
import { LENT_MARKS, NO_MARKS } from '../../session/state/lent-marks';
import { useServices } from '../../session/state/services';
import { useToldValue } from '../../session/asked/use-told-value';
import type { EditorContext } from './editor-context';
import { useAppSelector } from '../../session/state/state';

/** The names that more than one note has; the same set until they change. */
export function useSharedNames(): ReadonlySet<string> {
  const words = useAppSelector((state) => state.library.overview?.sharedNames.join('\n') ?? '');
  return useMemo(() => new Set(words.split('\n')), [words]);
}

/** The folded handles of the people who have a page, the same set until they change; null where nobody has one. */
export function useKnownPeople(): ReadonlySet<string> | null {
  const people = useAppSelector((state) => state.library.overview?.people);
  const words = useMemo(
    () => people?.flatMap((person) => (person.path === null ? [] : [foldName(person.name)])).join('\n') ?? '',
    [people],
  );
  return useMemo(() => (words === '' ? null : new Set(words.split('\n'))), [words]);
}

/** What of a note is lent: tasks by their ref, sections by the line of their heading; the same until that changes. */
export function useLentIn(path: string): EditorContext['lent'] {
  const lent = useToldValue(LENT_MARKS) ?? NO_MARKS;
  return useMemo(() => {
    const here = `${foldPath(path)}\n`;
    const headings = [...lent.headings].filter((one) => one.startsWith(here)).map((one) => one.slice(here.length));
    return { refs: lent.refs, headings: new Set(headings) };
  }, [lent, path]);
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
    void engine.ask('refProblems', { path }).then((found) => {
      if (!current) return;
      setProblems((before) => (found.length === 0 && before.size === 0 ? before : new Map(found.map((one) => [one.line, one.problems]))));
    });
    return () => {
      current = false;
    };
  }, [engine, path, overview]);
  return problems;
}
