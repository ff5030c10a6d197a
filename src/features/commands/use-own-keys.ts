import { useSlipNotes } from '../slip/use-slip-commands';
import { noteAddress } from '../session/places/addresses';
import { useAppSelector } from '../session/state/state';
import { COMMANDS } from './definitions';
import { writtenKey } from './written-key';

/** A key that a person gave to something of their own: to a slip in its note, or to a pin. */
export interface OwnKey {
  /** Where what it belongs to is. */
  address: string;
  title: string;
  /** As it was written; null for none. */
  written: string | null;
  /** As commands name it; null where it is none, or none that is heard. */
  key: string | null;
}

/** The slips that a person made, with the keys that their notes say. */
export function useSlipKeys(): OwnKey[] {
  return useSlipNotes().map(({ path, title, slipKey }) => ({
    address: noteAddress(path),
    title,
    written: slipKey ?? null,
    key: slipKey === undefined ? null : writtenKey(slipKey),
  }));
}

/** The pins that have a key. */
export function usePinKeys(): OwnKey[] {
  const pins = useAppSelector((state) => state.frame.pins);
  return pins.flatMap(({ title, address, key }) => (key === undefined ? [] : [{ address, title, written: key, key }]));
}

/** What else a key would run, by its title: a command, or something else of one's own; null for nothing. */
export function otherOfKey(
  key: string | null,
  address: string,
  keys: ReadonlyMap<string, string | null>,
  own: readonly OwnKey[],
): string | null {
  if (key === null) return null;
  const command = COMMANDS.find(({ id }) => keys.get(id) === key);
  return command?.title ?? own.find((other) => other.address !== address && other.key === key)?.title ?? null;
}
