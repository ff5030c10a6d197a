// The stand-in of an outside task service.
import { ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
runBin('tsx', ['stand-in/main.ts']);
