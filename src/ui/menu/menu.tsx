import { ChevronDown, ChevronRight } from 'lucide-react';
import { type ComponentProps, type MouseEvent, type ReactElement, type ReactNode, cloneElement, useContext, useState } from 'react';
import { BY_TOUCH } from '../input/by-touch';
import { holdKeys } from '../input/early-keys';
import { type MenuParts, Parts, WhenGone } from './menu-context';
import { late } from '../late';

function useParts(): MenuParts {
  const parts = useContext(Parts);
  if (!parts) throw new Error('an entry stands in a menu');
  return parts;
}

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
  const { Item } = useParts();
  const whenGone = useContext(WhenGone);
  const choose = (): void => {
    // What is typed before the dialog is there is meant for it: a space would press the button that has the focus back.
    if (label.endsWith('…')) holdKeys();
    whenGone(onSelect);
  };
  return (
    <Item className={`menu-item ${danger ? 'text-late' : ''}`} onSelect={choose}>
      <span className="w-3" />
      <span className="flex-1">{label}</span>
      {hint !== undefined && !BY_TOUCH && <kbd className="font-mono text-[0.76rem] text-muted">{hint}</kbd>}
    </Item>
  );
}

/** Several entries of which one is the present one; `value` names it. */
export function MenuChoices({ value, children }: { value: string; children: ReactNode }) {
  const { RadioGroup } = useParts();
  return <RadioGroup value={value}>{children}</RadioGroup>;
}

/** One of several entries, of which the present one bears a sign. */
export function MenuChoice({ value, label, onSelect }: { value: string; label: string; onSelect: () => void }) {
  const { RadioItem, ItemIndicator } = useParts();
  const whenGone = useContext(WhenGone);
  return (
    <RadioItem value={value} className="menu-item" onSelect={() => whenGone(onSelect)}>
      <span className="w-3 text-primary">
        <ItemIndicator>•</ItemIndicator>
      </span>
      {label}
    </RadioItem>
  );
}

/** An entry that is on or off; the menu stays open. */
export function MenuCheck({ label, checked, onChange }: { label: string; checked: boolean; onChange: (checked: boolean) => void }) {
  const { CheckboxItem, ItemIndicator } = useParts();
  return (
    <CheckboxItem className="menu-item" checked={checked} onCheckedChange={onChange} onSelect={(event) => event.preventDefault()}>
      <span className="w-3 text-primary">
        <ItemIndicator>•</ItemIndicator>
      </span>
      {label}
    </CheckboxItem>
  );
}

/** A menu inside a menu; by touch it opens in its place, since there is no room beside it. */
export function MenuInside({ label, children }: { label: string; children: ReactNode }) {
  const { Item, Sub, SubTrigger, Portal, SubContent } = useParts();
  const [open, setOpen] = useState(false);
  if (BY_TOUCH)
    return (
      <>
        <Item
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
        </Item>
        {open && <div className="ms-4 border-s border-line">{children}</div>}
      </>
    );
  return (
    <Sub>
      <SubTrigger className="menu-item">
        <span className="w-3" />
        <span className="flex-1">{label}</span>
        <ChevronRight size={14} aria-hidden="true" className="text-muted" />
      </SubTrigger>
      <Portal>
        <SubContent className="menu-panel" sideOffset={2} collisionPadding={8}>
          {children}
        </SubContent>
      </Portal>
    </Sub>
  );
}

export function MenuLine() {
  const { Separator } = useParts();
  return <Separator className="menu-line" />;
}

const OpenMenu = late(
  () => import('./OpenMenu').then((part) => part.default),
  ({ trigger }) => trigger,
);

/** A menu that is opened and closed from outside; what it is made of is loaded when it opens first. */
export function MenuAt({ trigger, ...properties }: ComponentProps<typeof OpenMenu>) {
  const [wanted, setWanted] = useState(properties.open);
  if (properties.open && !wanted) setWanted(true);
  if (!wanted) return trigger;
  return <OpenMenu trigger={trigger} {...properties} />;
}

interface MenuProps {
  /** The button that opens it. */
  trigger: ReactElement<{ onClick?: (event: MouseEvent) => void; 'aria-haspopup'?: 'menu'; 'aria-expanded'?: boolean }>;
  align?: 'start' | 'end';
  children: ReactNode;
}

/** A menu that a button opens. */
export function Menu({ trigger, align = 'end', children }: MenuProps) {
  const [open, setOpen] = useState(false);
  const [loaded, setLoaded] = useState(false);
  // Until it was opened once, the button stands alone; then the menu has it.
  const button = loaded
    ? trigger
    : cloneElement(trigger, {
        'aria-haspopup': 'menu',
        'aria-expanded': false,
        onClick: () => {
          setLoaded(true);
          setOpen(true);
        },
      });
  return (
    <MenuAt trigger={button} open={open} onOpenChange={setOpen} align={align}>
      {children}
    </MenuAt>
  );
}
