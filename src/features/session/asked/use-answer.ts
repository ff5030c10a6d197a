import { useEffect, useId } from 'react';
import { shallowEqual } from 'react-redux';
import type { AnswerView } from '../../../core/index/live/view';
import { libraryActions } from '../state/library-slice';
import { useServices } from '../state/services';
import { useAppDispatch, useAppSelector } from '../state/state';

/**
 * The live answer to a gather; undefined until it came.
 *
 * @param text null asks nothing
 * @param at the path of the note that holds it; null for one of the interface's own
 * @param name by which others find the answer, as `listName` makes it; its own when left out
 */
export function useAnswer(text: string | null, at: string | null, name?: string): AnswerView | undefined {
  const own = useId();
  const id = name ?? own;
  const { engine } = useServices();
  const dispatch = useAppDispatch();
  const asks = text !== null;
  useEffect(() => {
    if (text !== null) void engine.subscribe(id, text, at);
  }, [engine, id, text, at]);
  useEffect(() => {
    if (!asks) return;
    return () => {
      void engine.unsubscribe(id);
      dispatch(libraryActions.forgotten(id));
    };
  }, [engine, dispatch, id, asks]);
  return useAppSelector((state) => state.library.answers[id]);
}

/** The name of one of the lists that a page shows, by its place (from 0) among them. */
export const listName = (page: string, index: number): string => `${page} ${index}`;

/** The answers to the lists of a page from one place on; undefined for those that did not come yet. */
export function useListAnswers(page: string, first: number, count: number): readonly (AnswerView | undefined)[] {
  return useAppSelector(
    ({ library }) => Array.from({ length: count }, (_, index) => library.answers[listName(page, first + index)]),
    shallowEqual,
  );
}
