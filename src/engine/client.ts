import * as Comlink from 'comlink';
import type { Engine, EngineEvent } from './protocol';
import type { LibrarySettings } from '../core/index/library';

/** Starts the engine in a worker of its own. */
export function startEngine(settings: LibrarySettings, tell: (event: EngineEvent) => void): Engine {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'recado-engine' });
  worker.onerror = () => tell({ is: 'failed', message: 'The index stopped. Reload the page; your notes are safe.' });
  const remote = Comlink.wrap<Engine>(worker);
  const failed = (): void => tell({ is: 'failed', message: 'The index does not answer. Reload the page; your notes are safe.' });
  remote.start(settings, Comlink.proxy(tell)).catch(failed);
  return {
    start: () => Promise.resolve(),
    apply: (changes) => remote.apply(changes).catch(failed),
    changeSettings: (next) => remote.changeSettings(next).catch(failed),
    subscribe: (id, text, at) => remote.subscribe(id, text, at).catch(failed),
    unsubscribe: (id) => remote.unsubscribe(id).catch(failed),
    why: (text, at, path, line) => remote.why(text, at, path, line),
    find: (words) => remote.find(words),
    refProblems: (path) => remote.refProblems(path),
    resolve: (target, from) => remote.resolve(target, from),
  };
}
