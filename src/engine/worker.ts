import * as Comlink from 'comlink';
import { OUTSIDE_NOTES, STORED_NOTES } from '../store/notes/read-notes';
import { EngineHost } from './host';
import { EngineWithOutside } from './with-outside';

const notes = new EngineHost(STORED_NOTES, (call, after) => void setTimeout(call, after));

Comlink.expose(new EngineWithOutside(notes, () => new EngineHost(OUTSIDE_NOTES)));
