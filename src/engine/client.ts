import * as Comlink from 'comlink';
import type { LibrarySettings } from '../core/index/library';
import { EngineKeeper } from './keeper';
import type { Engine, EngineEvent } from './protocol';

/** Starts the engine in a worker of its own, and another one should that die. */
export function startEngine(settings: LibrarySettings, tell: (event: EngineEvent) => void): Engine {
  return new EngineKeeper(
    (died) => {
      const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'recado-engine' });
      worker.onerror = (event) => died(event.message);
      worker.onmessageerror = () => died('a message could not be read');
      const remote = Comlink.wrap<Engine>(worker);
      return {
        engine: remote,
        start: (first, hear) => remote.start(first, Comlink.proxy(hear)),
        end: () => worker.terminate(),
      };
    },
    settings,
    tell,
  );
}
