import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** What a theme can change: the rules that look at colours. The rest reads the same in both. */
const COLOURS = ['color-contrast', 'link-in-text-block'];

/**
 * axe-core finds nothing in what is shown now. After a first look at the whole, `part` (a selector) looks only at what
 * changed, and `colours` only at what a theme changes, which keeps the time of a look in bounds.
 */
export async function expectAccessible(page: Page, where: string, { part, colours = false }: { part?: string; colours?: boolean } = {}) {
  let axe = new AxeBuilder({ page });
  axe = colours ? axe.withRules(COLOURS) : axe.withTags(TAGS);
  if (part !== undefined) axe = axe.include(part);
  const { violations } = await axe.analyze();
  expect(violations.map(({ id, nodes }) => [where, id, nodes.map((node) => node.html)])).toEqual([]);
}
