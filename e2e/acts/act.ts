import { expect } from '@playwright/test';
import type { Desk } from '../desk';
import type { Hand } from './hand';

/** Where an act begins: with the cursor on its line, with the focus on its row in Today, or anywhere. */
type From = 'line' | 'row' | 'page';

/** One of the commonest acts, and how it is done. */
export interface Act {
  /** Its name in docs/weight.md. */
  name: string;
  from: From;
  keys: (hand: Hand, desk: Desk) => Promise<void>;
  /** By pointing: with the mouse, and by touch where that is not done otherwise. */
  points: (hand: Hand, desk: Desk) => Promise<void>;
  touches?: (hand: Hand, desk: Desk) => Promise<void>;
  shows: (desk: Desk) => Promise<void>;
}

export const LINES = 'Lines.md';
export const ROWS = 'Rows.md';
export const TODAY_PAGE = 'Journal/2026-11-23.md';

/** The words of the line or row of an act. */
export const wordsOf = (name: string): string => `Crate ${name.replace(/[^a-z]+/gi, ' ').trim()}`;

/** A command by pointing: the menu of all commands, its words, and the entry. */
export const command = async (hand: Hand, desk: Desk, title: string): Promise<void> => {
  await hand.point(desk.page.getByRole('button', { name: 'All commands' }).last());
  await expect(desk.page.getByRole('combobox')).toBeFocused();
  await hand.type(title);
  await hand.point(desk.page.getByRole('option', { name: new RegExp(`^${title.replace(/[()]/g, '.')}`) }).first());
};

export const tool = (desk: Desk, name: string) =>
  desk.page.getByRole('toolbar', { name: 'Tools for the text' }).getByRole('button', { name, exact: true });

/** The menu of the row of an act, and what is chosen in it. */
export const inMenu =
  (name: string, ...entries: string[]) =>
  async (hand: Hand, desk: Desk): Promise<void> => {
    const row = desk.row(desk.main, wordsOf(name));
    if (hand.by === 'clicks') await row.hover();
    await hand.point(row.getByRole('button', { name: `Actions for ${wordsOf(name)}` }));
    for (const entry of entries) {
      const words = new RegExp(`^${entry}`);
      await hand.point(
        desk.page
          .getByRole('menuitem', { name: words })
          .or(desk.page.getByRole('menuitemradio', { name: words }))
          .last(),
      );
    }
  };

export const dialog = (desk: Desk) => desk.page.getByRole('dialog');
export const inDialog = (desk: Desk, name: string) => dialog(desk).getByRole('button', { name, exact: true });

export const stored =
  (path: string, holds: RegExp) =>
  async (desk: Desk): Promise<void> => {
    await expect.poll(() => desk.stored(path)).toMatch(holds);
  };
export const addressIs =
  (address: RegExp) =>
  async (desk: Desk): Promise<void> => {
    await expect(desk.page).toHaveURL(address);
  };
