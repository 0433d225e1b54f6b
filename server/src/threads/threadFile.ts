import { join } from 'node:path';
import { ROOT } from '../root';

/** A compiled program that runs as a thread. Threads run from what is compiled, also where the server runs from its sources. */
export const threadFile = (name: 'engine' | 'reader' | 'watchdog'): string => join(ROOT, 'server/dist', `${name}.js`);
