/** What scrolls around an element: the page in the middle, a panel, or what says so of itself. */
export const scrollerOf = (element: HTMLElement): HTMLElement | null => element.closest<HTMLElement>('#page, aside, [data-scrolls]');
