import { useLocation } from 'react-router';
import { MenuEntry } from '../../../ui/menu/menu';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/**
 * Pins the page that is shown, as it is shown, to the rack, or takes it off again.
 *
 * @param address where that is not yet what the window's address says
 */
export function PinEntry({ title, address: given }: { title: string; address?: string }) {
  const { pathname, search } = useLocation();
  const dispatch = useAppDispatch();
  const address = given ?? pathname + search;
  const pinned = useAppSelector((state) => state.frame.pins.some((pin) => pin.address === address));
  const only = new URLSearchParams(search).get('only');
  return (
    <MenuEntry
      label={pinned ? 'Take it off the rack' : 'Pin it to the rack'}
      onSelect={() => dispatch(frameSlice.actions.pinToggled({ title: only === null ? title : `${title}, ${only}`, address }))}
    />
  );
}
