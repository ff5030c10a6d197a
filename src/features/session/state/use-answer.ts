import { useEffect, useId } from 'react';
import type { AnswerView } from '../../../core/index/live/view';
import { libraryActions } from './library-slice';
import { useServices } from './services';
import { useAppDispatch, useAppSelector } from './state';

/**
 * The live answer to a gather; undefined until it came.
 *
 * @param text null asks nothing
 * @param at the path of the note that holds it; null for one of the interface's own
 */
export function useAnswer(text: string | null, at: string | null): AnswerView | undefined {
  const id = useId();
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
