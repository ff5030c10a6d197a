import { DropdownMenu } from 'radix-ui';
import { type ComponentProps, type ReactElement, type ReactNode, useCallback, useRef } from 'react';
import { Parts, WhenGone } from './menu-context';

interface OpenMenuProps extends Pick<ComponentProps<typeof DropdownMenu.Content>, 'align' | 'onCloseAutoFocus' | 'aria-label'> {
  /** What it opens at. */
  trigger: ReactElement;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  children: ReactNode;
}

/** A menu with all it is made of. */
export default function OpenMenu({ trigger, open, onOpenChange, onCloseAutoFocus, children, ...properties }: OpenMenuProps) {
  const chosen = useRef<(() => void) | null>(null);
  const choose = useCallback((act: () => void) => void (chosen.current = act), []);
  return (
    <Parts value={DropdownMenu}>
      <WhenGone value={choose}>
        <DropdownMenu.Root open={open} onOpenChange={onOpenChange}>
          <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              className="menu-panel"
              align="end"
              sideOffset={4}
              collisionPadding={8}
              {...properties}
              onCloseAutoFocus={(event) => {
                onCloseAutoFocus?.(event);
                const act = chosen.current;
                chosen.current = null;
                // The focus is given back after this.
                if (act) setTimeout(act);
              }}
            >
              {children}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </WhenGone>
    </Parts>
  );
}
