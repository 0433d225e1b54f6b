// npm run --silent speak -- FILE… --class ID
import { runCommand } from './lib/ensure.mjs';

runCommand('speak', process.argv.slice(2));
