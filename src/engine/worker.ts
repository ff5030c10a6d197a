import * as Comlink from 'comlink';
import { STORED_NOTES } from '../store/notes/read-notes';
import { EngineHost } from './host';

Comlink.expose(new EngineHost(STORED_NOTES, (call, after) => void setTimeout(call, after)));
