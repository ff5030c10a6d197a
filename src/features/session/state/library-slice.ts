import { createAction, type UnknownAction } from '@reduxjs/toolkit';
import { type AnswerNews, answersAfter } from '../../../core/index/live/news';
import { EMPTY_OVERVIEW, type Overview, type OverviewNews, overviewAfter } from '../../../core/index/live/overview';
import type { InHand } from '../../../core/index/days/day-plan';
import type { AnswerView } from '../../../core/index/live/view';

export interface LibraryState {
  /** Null until everything was read. */
  overview: Overview | null;
  answers: Record<string, AnswerView>;
  progress: { read: number; all: number };
  /** What is in hand, and what comes then; null until it was asked. */
  hand: InHand | null;
  /** Why the engine gives no answers; null while it does. */
  failure: string | null;
}

const initialState: LibraryState = { overview: null, answers: {}, progress: { read: 0, all: 0 }, hand: null, failure: null };

export const libraryActions = {
  news: createAction<{ overview?: OverviewNews; answers: Record<string, AnswerNews> }>('library/news'),
  progressed: createAction<LibraryState['progress']>('library/progressed'),
  failed: createAction<string | null>('library/failed'),
  forgotten: createAction<string>('library/forgotten'),
  handTold: createAction<InHand>('library/handTold'),
};

/**
 * What the engine answered last; no second copy of the notes. A plain reducer: answers may hold tens of thousands of rows,
 * which must be neither walked nor frozen on each change.
 */
export function libraryReducer(state: LibraryState = initialState, action: UnknownAction): LibraryState {
  if (libraryActions.news.match(action)) {
    const { overview } = action.payload;
    const answers = answersAfter(state.answers, action.payload.answers);
    return { ...state, answers, ...(overview && { overview: overviewAfter(state.overview ?? EMPTY_OVERVIEW, overview) }) };
  }
  if (libraryActions.progressed.match(action)) return { ...state, progress: action.payload };
  if (libraryActions.handTold.match(action)) return { ...state, hand: action.payload };
  if (libraryActions.failed.match(action)) return { ...state, failure: action.payload };
  if (libraryActions.forgotten.match(action)) {
    const answers = { ...state.answers };
    delete answers[action.payload];
    return { ...state, answers };
  }
  return state;
}
