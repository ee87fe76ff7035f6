import { provideWireCheck } from '../log/wireCheck';

provideWireCheck(() => import('./checks').then(({ WIRE_CHECK }) => WIRE_CHECK));
