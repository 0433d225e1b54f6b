// npm run --silent take -- CAPTIONS FILE… --class ID
import { runCommand } from './lib/ensure.mjs';

runCommand('take', process.argv.slice(2));
