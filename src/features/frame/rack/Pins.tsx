import { type DragEvent, type KeyboardEvent, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { MoreMenu } from '../../../ui/menu/MoreMenu';
import { MenuEntry, MenuLine } from '../../../ui/menu/menu';
import { keyName } from '../../commands/command';
import { type Pin, frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { Section } from './RackEntry';

/** What is pinned: any address at hand in one place, in an order of one's own, by drag, by Alt with an arrow, and by menu. */
export function Pins() {
  const pins = useAppSelector((state) => state.frame.pins);
  const [dragged, setDragged] = useState<string | null>(null);
  if (pins.length === 0) return null;
  return (
    <Section title="Pinned">
      {pins.map((pin, at) => (
        <PinLine key={pin.address} pin={pin} at={at} last={pins.length - 1} dragged={dragged} onDrag={setDragged} />
      ))}
    </Section>
  );
}

interface PinLineProps {
  pin: Pin;
  /** Its place in the order, and that of the last. */
  at: number;
  last: number;
  /** The address of the pin that is dragged. */
  dragged: string | null;
  onDrag: (address: string | null) => void;
}

function PinLine({ pin, at, last, dragged, onDrag }: PinLineProps) {
  const { pathname, search } = useLocation();
  const dispatch = useAppDispatch();
  const [isOver, setIsOver] = useState(false);
  const isHere = pathname + search === pin.address;
  const { dialogShown, pinMoved, pinToggled } = frameSlice.actions;
  const move = (by: number): void => {
    if (at + by >= 0 && at + by <= last) dispatch(pinMoved({ address: pin.address, to: at + by }));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined || !event.altKey) return;
    event.preventDefault();
    move(by);
  };
  const takes = (event: DragEvent): boolean => {
    if (dragged === null || dragged === pin.address) return false;
    event.preventDefault();
    return true;
  };
  return (
    <div
      className={`group/pin relative flex items-center rounded-md ${isOver ? 'bg-primary-soft' : ''}`}
      onDragOver={(event) => setIsOver(takes(event))}
      onDragLeave={() => setIsOver(false)}
      onDrop={(event) => {
        setIsOver(false);
        if (takes(event) && dragged !== null) dispatch(pinMoved({ address: dragged, to: at }));
      }}
    >
      <Link
        to={pin.address}
        {...(isElsewhere(pin.address) && { target: '_blank', rel: 'noreferrer', reloadDocument: true })}
        draggable
        title={pin.key === undefined ? pin.title : `${pin.title} (${keyName(pin.key)})`}
        aria-current={isHere ? 'page' : undefined}
        aria-keyshortcuts={pin.key?.replace('Mod', 'Control')}
        className={`min-h-[26px] min-w-0 flex-1 truncate rounded-md px-2 py-0.5 hover:bg-raised ${isHere ? 'bg-sheet font-semibold' : ''}`}
        onKeyDown={onKeyDown}
        onDragStart={(event) => {
          event.dataTransfer.effectAllowed = 'move';
          onDrag(pin.address);
        }}
        onDragEnd={() => onDrag(null)}
      >
        {pin.title}
      </Link>
      <span className="absolute end-0 opacity-0 group-hover/pin:opacity-100 focus-within:opacity-100 has-[[data-state=open]]:opacity-100">
        <MoreMenu label={`Actions for the pin ${pin.title}`} small>
          <MenuEntry label="Name and key…" onSelect={() => dispatch(dialogShown({ is: 'pin', address: pin.address }))} />
          {at > 0 && <MenuEntry label="Up" hint={keyName('Alt+ArrowUp')} onSelect={() => move(-1)} />}
          {at < last && <MenuEntry label="Down" hint={keyName('Alt+ArrowDown')} onSelect={() => move(1)} />}
          <MenuLine />
          <MenuEntry label="Take it off the rack" onSelect={() => dispatch(pinToggled(pin))} />
        </MoreMenu>
      </span>
    </div>
  );
}

/** What somebody lent is a page of its own, wherever it comes from. */
const isElsewhere = (address: string): boolean => /^https?:\/\//.test(address);
