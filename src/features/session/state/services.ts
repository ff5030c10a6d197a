import { createContext, useContext, useSyncExternalStore } from 'react';
import type { Now } from '../../../core/calendar/span';
import type { Engine } from '../../../engine/protocol';
import type { NoteActions } from '../../../store/acting/note-actions';
import type { NoteStore } from '../../../store/notes/note-store';
import type { OutsideDesk } from '../../../store/outside/outside-desk';
import type { SealDesk, SealState } from '../../../store/seal/seal-desk';
import type { OpenTexts } from '../../../store/texts/open-texts';
import type { SettingsChange } from '../../../store/device/settings';
import type { CommandDesk } from '../../commands/command-desk';
import type { PlaceMemory } from '../places/place-memory';
import type { Clock } from './clock';

/** What the interface works with; made once when the application starts. */
export interface Services {
  store: NoteStore;
  actions: NoteActions;
  /** The outside lists that are followed. */
  outside: OutsideLists;
  /** The seals of sealed notes. */
  seals: SealsOfDesk;
  /** The texts that are being written. */
  texts: OpenTexts;
  engine: Engine;
  clock: Clock;
  /** Who does what commands say. */
  commands: CommandDesk;
  /** How places of the history were left. */
  places: PlaceMemory;
  /** Changes some settings; what another tab changes of the others stays. */
  changeSettings: (change: SettingsChange) => Promise<void>;
}

/** The outside lists; few have any, so they are opened when they are wanted first. */
export interface OutsideLists {
  /** Null until they are opened in this tab. */
  readonly opened: OutsideDesk | null;
  open: () => Promise<OutsideDesk>;
}

/** The seals; few have any, so what opens them is loaded when it is wanted first. */
export interface SealsOfDesk {
  /** Null until it is loaded in this tab. */
  readonly opened: SealDesk | null;
  open: () => Promise<SealDesk>;
  /** Loads it where there is a seal. */
  openWhereThere: () => Promise<void>;
  present: () => SealState;
  listen: (listener: () => void) => () => void;
}

const Context = createContext<Services | null>(null);
export const ServicesProvider = Context.Provider;

export function useServices(): Services {
  const services = useContext(Context);
  if (!services) throw new Error('useServices is used outside its provider');
  return services;
}

/** The present day and minute; the component follows when the minute turns. */
export function useNow(): Now {
  const { clock } = useServices();
  return useSyncExternalStore(clock.listen, clock.now);
}
