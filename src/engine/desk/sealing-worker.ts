import * as Comlink from 'comlink';
import { ageSealer } from '../../store/desk/age-sealer';

Comlink.expose(ageSealer);
