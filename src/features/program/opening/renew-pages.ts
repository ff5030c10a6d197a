import { SHIPPED_PAGES } from '../../../core/agenda/shipped';
import { shippedBefore } from '../../../core/agenda/earlier';
import { isFootPath } from '../../../core/agenda/shipped-names';
import { signOfText } from '../../../core/agenda/text-sign';
import { commitPlan } from '../../../store/notes/commit-plan';
import { contentOf } from '../../../store/notes/content';
import type { NoteStore } from '../../../store/notes/note-store';
import type { NoteWrite } from '../../../store/notes/note-write';
import { SHIPPED } from '../../../store/notes/origin';

/** What the store remembers of the pages that ship: the sign of the text that each last shipped with, and which offer a new one. */
export interface ShippedMemory {
  signs: Record<string, string>;
  offers: string[];
}

/** The name of the value under which the store keeps it. */
export const SHIPPED_MEMORY = 'shipped';

export function readShippedMemory(value: unknown): ShippedMemory {
  const { signs, offers } = (typeof value === 'object' && value !== null ? value : {}) as Partial<Record<keyof ShippedMemory, unknown>>;
  return {
    signs:
      typeof signs === 'object' && signs !== null
        ? Object.fromEntries(Object.entries(signs).filter((entry): entry is [string, string] => typeof entry[1] === 'string'))
        : {},
    offers: Array.isArray(offers) ? offers.filter((one) => typeof one === 'string') : [],
  };
}

/**
 * Brings the agenda pages to what ships now: one that nobody changed is renewed; a changed one stays as it is, and its page offers the
 * new text; one that somebody deleted stays away, and one that never shipped before comes.
 */
export async function renewAgendaPages(store: NoteStore): Promise<void> {
  const memory = readShippedMemory(await store.value(SHIPPED_MEMORY));
  const news = SHIPPED_PAGES.filter(({ path, text }) => memory.signs[path] !== signOfText(text));
  if (news.length === 0) return;
  const remembers = Object.keys(memory.signs).length > 0;
  // Before signs were kept, only agenda pages shipped.
  const isNew = (path: string): boolean => remembers || isFootPath(path);
  const changed = new Set<string>();
  const result = await commitPlan(store, SHIPPED, async () => {
    changed.clear();
    const notes = await store.many(news.map(({ path }) => path));
    return news.flatMap(({ path, text }, index): NoteWrite[] => {
      const note = notes[index];
      if (!note && memory.signs[path] === undefined && isNew(path)) return [{ path, expect: null, content: { text }, demo: 'untouched' }];
      if (note?.text == null || note.text === text) return [];
      if (shippedBefore(path, note.text)) return [{ path: note.path, expect: contentOf(note), content: { text }, demo: 'untouched' }];
      changed.add(path);
      return [];
    });
  });
  if ('refused' in result) return;
  const signs = { ...memory.signs, ...Object.fromEntries(news.map(({ path, text }) => [path, signOfText(text)])) };
  const offers = [...memory.offers.filter((path) => !news.some((page) => page.path === path)), ...changed];
  await store.setValue(SHIPPED_MEMORY, { signs, offers } satisfies ShippedMemory);
}

/** The new text of a page was taken, or is not wanted. */
export async function settleOffer(store: NoteStore, path: string): Promise<void> {
  const memory = readShippedMemory(await store.value(SHIPPED_MEMORY));
  await store.setValue(SHIPPED_MEMORY, { ...memory, offers: memory.offers.filter((one) => one !== path) } satisfies ShippedMemory);
}
