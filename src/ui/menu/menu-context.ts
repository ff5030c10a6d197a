import type { DropdownMenu } from 'radix-ui';
import { createContext } from 'react';

/** What menus are made of; it comes with the first menu that is opened. */
export type MenuParts = typeof DropdownMenu;
export const Parts = createContext<MenuParts | null>(null);

/**
 * What is chosen in a menu is done once the menu is gone and has given the focus back: a dialog that it opens then has the focus for
 * itself, and gives it back to where the menu was opened.
 */
export const WhenGone = createContext<(act: () => void) => void>((act) => act());
