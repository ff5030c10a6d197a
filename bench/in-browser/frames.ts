import type { Page } from '@playwright/test';

/** Notes when answers come from the worker: `window.answered` holds the moments, in milliseconds. */
export const HEAR = `{
  window.answered = [];
  const add = MessagePort.prototype.addEventListener;
  MessagePort.prototype.addEventListener = function (type, listener, options) {
    const heard = (event) => {
      const said = event.data?.argumentList?.[0]?.value;
      if (said?.is === 'news' && Object.keys(said.answers).length > 0) window.answered.push(performance.now());
      return listener.call(this, event);
    };
    return add.call(this, type, type === 'message' ? heard : listener, options);
  };
}`;

/** Something that is done, and how it is seen to be shown; both are run in the page. */
interface Shown {
  click: string;
  words: string;
  /** The heading of the page, null for a note whose title is a field; what must be there, and what must be gone. */
  heading: string | null;
  there: string;
  gone: string;
  /** The moments of the answers that count, by the name that the page keeps them under; `answered` when left out. */
  heard?: string;
}

/** Frames until something is shown: all of them, and those after the answer that it waits for. */
export async function framesUntil(page: Page, wanted: Shown): Promise<{ all: number; after: number }> {
  return page.evaluate(async ({ click, words, heading, there, gone, heard: name = 'answered' }) => {
    const heard = (window as unknown as Record<string, number[]>)[name] ?? [];
    heard.length = 0;
    // As a pointer clicks: what is clicked without one comes from a key, after which a list moves at once.
    const at = [...document.querySelectorAll<HTMLElement>(click)].find((one) => one.textContent?.startsWith(words));
    const { left = 0, top = 0, width = 0, height = 0 } = at?.getBoundingClientRect() ?? {};
    // In its middle: at its edge a mark raises the priority.
    const middle = { clientX: left + width / 2, clientY: top + height / 2 };
    at?.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, detail: 1, ...middle }));
    let all = 0;
    let after = 0;
    const shown = (): boolean =>
      (document.querySelector('h1')?.textContent ?? null) === heading &&
      document.querySelector(there) !== null &&
      document.querySelector(gone) === null;
    while (!shown() && all < 600) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      all++;
      if (heard.length > 0) after++;
    }
    return { all, after };
  }, wanted);
}

export const opening = (page: Page, title: string): Promise<{ all: number; after: number }> =>
  framesUntil(page, { click: 'a', words: title, heading: title, there: '#page li[data-row]', gone: '[aria-busy=true]' });
