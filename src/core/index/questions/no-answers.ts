import type { QuestionName, Questions } from './questions';

/** What is said where no answer can be had, as before the notes are read or when the engine died. */
export const NO_ANSWERS: { readonly [Name in QuestionName]: Questions[Name]['answer'] } = {
  why: null,
  find: [],
  tasksOf: [],
  refProblems: [],
  resolve: null,
  timed: [],
  figures: [],
  occurrences: [],
  dayPlan: { items: [], strays: [] },
  inHand: { now: null, then: null },
  fit: { days: [], move: [] },
  remindersIn: null,
  writtenOn: [],
  templates: [],
  meetings: [],
  people: [],
  digest: [],
  slips: [],
  standsIn: [],
  leading: { linked: [], linkedCount: 0, named: [], namedCount: 0, unread: 0, left: 0 },
  headings: [],
  search: { count: 0, notes: [], gather: null, terms: [], problem: null, left: 0 },
  carry: { count: 0, offered: [], left: { rests: 0, waits: 0, repeats: 0, leftAlone: 0 } },
};
