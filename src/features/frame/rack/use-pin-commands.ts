import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Command } from '../../commands/command';
import { useAppSelector } from '../../session/state/state';

/** A command for each pin that has a key; the menu of commands has the pins among its places. */
export function usePinCommands(): readonly Command[] {
  const navigate = useNavigate();
  const pins = useAppSelector((state) => state.frame.pins);
  return useMemo(
    () =>
      pins.flatMap(({ title, address, key }): Command[] =>
        key === undefined ? [] : [{ id: `pin ${address}`, title, key, heard: true, isPlace: true, run: () => void navigate(address) }],
      ),
    [pins, navigate],
  );
}
