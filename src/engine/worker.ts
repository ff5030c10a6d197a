import * as Comlink from 'comlink';
import { OUTSIDE_NOTES, STORED_NOTES } from '../store/notes/read-notes';
import { EngineHost, type TextReader } from './host';
import { EngineWithOutside } from './with-outside';

const begin = (reader: TextReader): EngineHost => new EngineHost(reader, (call, after) => void setTimeout(call, after));

Comlink.expose(new EngineWithOutside(begin(STORED_NOTES), OUTSIDE_NOTES, (reader) => new EngineHost(reader)));
