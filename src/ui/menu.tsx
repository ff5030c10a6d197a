import { ChevronDown, ChevronRight } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type ComponentProps, type ReactNode, createContext, useCallback, useContext, useRef, useState } from 'react';
import { BY_TOUCH } from './by-touch';

/**
 * What is chosen in a menu is done once the menu is gone and has given the focus back: a dialog that it opens then has the focus for
 * itself, and gives it back to where the menu was opened.
 */
const WhenGone = createContext<(act: () => void) => void>((act) => act());

/** One entry of a menu. */
export function MenuEntry({
  label,
  hint,
  danger = false,
  onSelect,
}: {
  label: string;
  hint?: string | undefined;
  danger?: boolean;
  onSelect: () => void;
}) {
  const whenGone = useContext(WhenGone);
  return (
    <DropdownMenu.Item className={`menu-item ${danger ? 'text-late' : ''}`} onSelect={() => whenGone(onSelect)}>
      <span className="w-3" />
      <span className="flex-1">{label}</span>
      {hint !== undefined && !BY_TOUCH && <kbd className="font-mono text-[0.76rem] text-muted">{hint}</kbd>}
    </DropdownMenu.Item>
  );
}

/** One of several entries, of which the present one bears a sign. */
export function MenuChoice({ value, label, onSelect }: { value: string; label: string; onSelect: () => void }) {
  const whenGone = useContext(WhenGone);
  return (
    <DropdownMenu.RadioItem value={value} className="menu-item" onSelect={() => whenGone(onSelect)}>
      <span className="w-3 text-primary">
        <DropdownMenu.ItemIndicator>•</DropdownMenu.ItemIndicator>
      </span>
      {label}
    </DropdownMenu.RadioItem>
  );
}

/** An entry that is on or off; the menu stays open. */
export function MenuCheck({ label, checked, onChange }: { label: string; checked: boolean; onChange: (checked: boolean) => void }) {
  return (
    <DropdownMenu.CheckboxItem
      className="menu-item"
      checked={checked}
      onCheckedChange={onChange}
      onSelect={(event) => event.preventDefault()}
    >
      <span className="w-3 text-primary">
        <DropdownMenu.ItemIndicator>•</DropdownMenu.ItemIndicator>
      </span>
      {label}
    </DropdownMenu.CheckboxItem>
  );
}

/** A menu inside a menu; by touch it opens in its place, since there is no room beside it. */
export function MenuInside({ label, children }: { label: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  if (BY_TOUCH)
    return (
      <>
        <DropdownMenu.Item
          className="menu-item"
          aria-expanded={open}
          onSelect={(event) => {
            event.preventDefault();
            setOpen(!open);
          }}
        >
          <span className="w-3" />
          <span className="flex-1">{label}</span>
          {open ? <ChevronDown size={14} aria-hidden="true" /> : <ChevronRight size={14} aria-hidden="true" className="text-muted" />}
        </DropdownMenu.Item>
        {open && <div className="ms-4 border-s border-line">{children}</div>}
      </>
    );
  return (
    <DropdownMenu.Sub>
      <DropdownMenu.SubTrigger className="menu-item">
        <span className="w-3" />
        <span className="flex-1">{label}</span>
        <ChevronRight size={14} aria-hidden="true" className="text-muted" />
      </DropdownMenu.SubTrigger>
      <DropdownMenu.Portal>
        <DropdownMenu.SubContent className="menu-panel" sideOffset={2} collisionPadding={8}>
          {children}
        </DropdownMenu.SubContent>
      </DropdownMenu.Portal>
    </DropdownMenu.Sub>
  );
}

export function MenuLine() {
  return <DropdownMenu.Separator className="menu-line" />;
}

interface MenuProps {
  /** The button that opens it. */
  trigger: ReactNode;
  align?: 'start' | 'end';
  children: ReactNode;
}

/** What a menu shows when it is open. */
export function MenuPanel({ onCloseAutoFocus, ...properties }: ComponentProps<typeof DropdownMenu.Content>) {
  const chosen = useRef<(() => void) | null>(null);
  const choose = useCallback((act: () => void) => void (chosen.current = act), []);
  return (
    <WhenGone value={choose}>
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
        />
      </DropdownMenu.Portal>
    </WhenGone>
  );
}

/** A menu that a button opens. */
export function Menu({ trigger, align = 'end', children }: MenuProps) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <MenuPanel align={align}>{children}</MenuPanel>
    </DropdownMenu.Root>
  );
}
