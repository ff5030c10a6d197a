import { MoreHorizontal } from 'lucide-react';
import type { ReactNode } from 'react';
import { Menu } from './menu';

interface MoreMenuProps {
  /** What the menu is of, for those who do not see where it stands. */
  label: string;
  /** In a line of a list it is smaller than in a head. */
  small?: boolean;
  children: ReactNode;
}

/** What can be done with something, behind three dots. */
export function MoreMenu({ label, small = false, children }: MoreMenuProps) {
  return (
    <Menu
      trigger={
        <button type="button" className={`quiet-button no-print ${small ? 'min-h-[26px] bg-raised' : ''}`} aria-label={label}>
          <MoreHorizontal size={small ? 13 : 17} aria-hidden="true" />
        </button>
      }
    >
      {children}
    </Menu>
  );
}
