import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** The pages of the interface, by the addresses they have; `*` is the rest of an address. */
export const ROUTES = {
  first: '/',
  note: '/note/*',
  day: '/day/:iso',
  days: '/days',
  slip: '/slip',
  tag: '/tag/*',
  person: '/person/*',
  status: '/status/*',
  folder: '/folder/*',
  item: '/item/:ref',
  series: '/series/*',
  find: '/find',
  ask: '/ask',
  through: '/through',
  brainstorm: '/brainstorm',
  help: '/help/:page?',
  earlier: '/earlier/*',
  keep: '/keep',
  files: '/files',
  outside: '/outside/*',
  lent: '/lent-out',
  link: '/link',
  settings: '/settings',
} as const;

export type PageName = keyof typeof ROUTES;

/** What an address says of a page beyond which one it is. */
export interface PageParameters {
  /** The line that is shown, from 1 as people count. */
  line: string;
  /** The line of the item or heading that is shown alone, from 1. */
  close: string;
  /** A condition by which all lists of the page are narrowed. */
  only: string;
  /** Words that a slip is filled in with, and the title or path of the slip that is meant. */
  text: string;
  slip: string;
  /** The other parts of what another program shares. */
  title: string;
  link: string;
  /** What is looked for, or the text of the gather that is made by pointing; and what of it is shown. */
  q: string;
  show: string;
  /** The note that holds the gather of which the tasks are gone through. */
  of: string;
  /** How a day is shown: `plan` for its plan, `week` for the hours of its week, else its page is written. A note: `tasks`, `by-day`, `by-status`, `by-heading`. */
  view: string;
  /** A moment that is taken for the present, as long as every note is the demo's own: `2026-11-23T09:20`. */
  now: string;
}

/** Reads a parameter of the page's address. */
export function useParameter(name: keyof PageParameters): string | null {
  const [parameters] = useSearchParams();
  return parameters.get(name);
}

/** Reads a parameter that is a line: from 0, where the address counts from 1; null for none. */
export function useLineParameter(name: 'line' | 'close' = 'line'): number | null {
  const line = Number(useParameter(name));
  return Number.isInteger(line) && line > 0 ? line - 1 : null;
}

/** Changes a parameter and leaves the others; null takes it out of the address. */
export function useSetParameter(): (name: keyof PageParameters, value: string | null, replace?: boolean) => void {
  const [parameters, setParameters] = useSearchParams();
  return useCallback(
    (name, value, replace = false) => {
      const next = new URLSearchParams(parameters);
      if (value === null) next.delete(name);
      else next.set(name, value);
      setParameters(next, { replace });
    },
    [parameters, setParameters],
  );
}

/** What follows a page in an address; null for another page. */
export function restOf(page: 'note' | 'day' | 'person' | 'tag', pathname: string): string | null {
  const start = ROUTES[page].replace(/[*:].*$/, '');
  return pathname.startsWith(start) ? decodeURIComponent(pathname.slice(start.length)) : null;
}
