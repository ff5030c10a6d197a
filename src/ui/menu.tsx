import { ChevronRight } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ComponentProps, ReactNode } from 'react';

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
  return (
    <DropdownMenu.Item className={`menu-item ${danger ? 'text-late' : ''}`} onSelect={onSelect}>
      <span className="w-3" />
      <span className="flex-1">{label}</span>
      {hint !== undefined && <kbd className="font-mono text-[0.76rem] text-muted">{hint}</kbd>}
    </DropdownMenu.Item>
  );
}

/** One of several entries, of which the present one bears a sign. */
export function MenuChoice({ value, label, onSelect }: { value: string; label: string; onSelect: () => void }) {
  return (
    <DropdownMenu.RadioItem value={value} className="menu-item" onSelect={onSelect}>
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

/** A menu inside a menu. */
export function MenuInside({ label, children }: { label: string; children: ReactNode }) {
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
export function MenuPanel(properties: ComponentProps<typeof DropdownMenu.Content>) {
  return (
    <DropdownMenu.Portal>
      <DropdownMenu.Content className="menu-panel" align="end" sideOffset={4} collisionPadding={8} {...properties} />
    </DropdownMenu.Portal>
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
