import { X } from 'lucide-react';
import { Dialog as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';

interface DialogProps {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
  /** Where it stands: in the middle, or as a sheet along an edge. */
  side?: 'middle' | 'left' | 'right';
}

const PLACES = {
  middle: 'left-1/2 top-[12vh] w-[min(34rem,calc(100vw-2rem))] -translate-x-1/2 rounded-xl max-h-[80vh]',
  left: 'left-0 top-0 h-full w-[min(20rem,88vw)]',
  right: 'right-0 top-0 h-full w-[min(24rem,92vw)]',
};

/** A dialog that Escape and a click beside it close; focus returns to where it came from. */
export function Dialog({ open, onClose, title, children, side = 'middle' }: DialogProps) {
  return (
    <Primitive.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Primitive.Portal>
        <Primitive.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Primitive.Content
          aria-describedby={undefined}
          className={`fixed z-50 flex flex-col overflow-auto bg-sheet p-4 text-ink shadow-2xl outline-none ${PLACES[side]}`}
        >
          <div className="mb-3 flex items-center justify-between gap-4">
            <Primitive.Title className="font-title text-[1.17rem] font-bold">{title}</Primitive.Title>
            <Primitive.Close className="quiet-button" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Primitive.Close>
          </div>
          {children}
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
