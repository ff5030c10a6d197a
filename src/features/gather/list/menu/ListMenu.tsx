import { SlidersHorizontal } from 'lucide-react';

import { Menu } from '../../../../ui/menu/menu';
import type { ListMenuProps } from './ListMenuEntries';
import { late } from '../../../../ui/late';

const ListMenuEntries = late(() => import('./ListMenuEntries').then((part) => part.ListMenuEntries));

/** How a list is looked at: what it asks, grouping, order and form, for a while or for good. */
export function ListMenu(properties: ListMenuProps) {
  return (
    <Menu
      trigger={
        <button type="button" className="quiet-button no-print -my-1" aria-label="How this list is shown">
          <SlidersHorizontal size={14} aria-hidden="true" />
        </button>
      }
    >
      <ListMenuEntries {...properties} />
    </Menu>
  );
}
