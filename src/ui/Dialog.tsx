import { X } from 'lucide-react';
import { Dialog as Primitive } from 'radix-ui';
import { type ReactNode, useEffect, useLayoutEffect, useState } from 'react';
import { useAsking } from './asking';
import { BY_TOUCH } from './input/by-touch';
import { giveKeys } from './input/early-keys';

interface DialogProps {
  open: boolean;
  onClose: () => void;
  title: ReactNode;
  /** What it is called where its title is more than words. */
  name?: string;
  children: ReactNode;
  /** Where it stands: in the middle, wide in the middle, as a slip of paper with its corner cut, or as a sheet along an edge. */
  side?: 'middle' | 'wide' | 'slip' | 'left' | 'right';
  /** Called once it is gone and the focus is back. */
  onGone?: () => void;
}

const MIDDLE = 'left-1/2 top-[12vh] -translate-x-1/2 rounded-xl max-h-[80vh]';
const PLACES = {
  middle: `${MIDDLE} w-[min(34rem,calc(100vw-2rem))]`,
  wide: `${MIDDLE} w-[min(64rem,calc(100vw-2rem))]`,
  slip: 'slip-paper left-1/2 top-[12vh] -translate-x-1/2 max-h-[84vh] w-[min(45rem,calc(100vw-1.25rem))]',
  left: 'left-0 top-0 h-full w-[min(20rem,88vw)]',
  right: 'right-0 top-0 h-full w-[min(24rem,92vw)]',
};

/** A dialog that Escape and a click beside it close; focus returns to where it came from. */
export function Dialog({ open, onClose, ...shown }: DialogProps) {
  return (
    <Primitive.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Primitive.Portal>
        <Primitive.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Shown {...shown} />
      </Primitive.Portal>
    </Primitive.Root>
  );
}

function Shown({ title, name, children, side = 'middle', onGone }: Omit<DialogProps, 'open' | 'onClose'>) {
  // Asked before a field in it takes the focus.
  const [from] = useState(focused);
  // Along an edge stands a part of the frame.
  useAsking(side !== 'left' && side !== 'right');
  // What was typed before it was drawn: where a field has the focus already, before the next letter comes.
  useLayoutEffect(() => {
    if (document.activeElement?.closest('[role=dialog]')) giveKeys();
  }, []);
  useEffect(giveKeys, []);
  return (
    <Primitive.Content
      aria-describedby={undefined}
      {...(name !== undefined && { 'aria-label': name, 'aria-labelledby': undefined })}
      className={`fixed z-50 flex flex-col overflow-auto bg-sheet p-4 text-ink shadow-2xl outline-none ${PLACES[side]}`}
      onOpenAutoFocus={(event) => {
        // Where no field asked for the focus the first has it, and not what closes the dialog; by touch it would bring the keyboard up.
        const field = BY_TOUCH || side === 'left' || side === 'right' ? null : firstField(event.currentTarget);
        if (!field) return;
        event.preventDefault();
        field.focus();
        if (field instanceof HTMLInputElement) field.select();
      }}
      onEscapeKeyDown={(event) => {
        // Something in it waits for a key, of which Escape is one.
        if (document.activeElement?.hasAttribute('data-takes-escape')) event.preventDefault();
      }}
      onCloseAutoFocus={(event) => {
        event.preventDefault();
        // What was done in the dialog may have put the focus elsewhere.
        if (document.activeElement === null || document.activeElement === document.body) from?.focus({ preventScroll: true });
        onGone?.();
      }}
    >
      <div className="mb-3 flex items-center justify-between gap-4">
        <Primitive.Title className={side === 'slip' ? 'text-[0.93rem] font-bold' : 'font-title text-[1.17rem] font-bold'}>
          {title}
        </Primitive.Title>
        <Primitive.Close className={`quiet-button ${side === 'slip' ? 'me-5' : ''}`} aria-label="Close">
          <X size={16} aria-hidden="true" />
        </Primitive.Close>
      </div>
      {children}
    </Primitive.Content>
  );
}

/** The first field that can be filled in; of radio buttons the chosen one. */
const firstField = (content: EventTarget | null): HTMLElement | null =>
  content instanceof HTMLElement
    ? content.querySelector(':is(input:not([type=radio], [type=file]), input[type=radio]:checked, select, textarea):not(:disabled)')
    : null;

/** What has the focus; of a menu, which goes when something in it is chosen, the button that opened it. */
function focused(): HTMLElement | null {
  let { activeElement } = document;
  for (let menu = activeElement?.closest('[role=menu]'); menu; menu = activeElement?.closest('[role=menu]'))
    activeElement = document.getElementById(menu.getAttribute('aria-labelledby') ?? '');
  return activeElement instanceof HTMLElement ? activeElement : null;
}
