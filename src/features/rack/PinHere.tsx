import { MoreHorizontal } from 'lucide-react';
import { Menu } from '../../ui/menu';
import { PinEntry } from './PinEntry';

/** The menu of a page that is no note: what can be done with it is to keep it at hand. */
export function PinHere({ title }: { title: string }) {
  return (
    <Menu
      trigger={
        <button type="button" className="quiet-button no-print" aria-label="Actions for this page">
          <MoreHorizontal size={17} aria-hidden="true" />
        </button>
      }
    >
      <PinEntry title={title} />
    </Menu>
  );
}
