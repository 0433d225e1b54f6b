// npm run --silent mend -- FILE… --class ID
import { runCommand } from './lib/ensure.mjs';

runCommand('mend', process.argv.slice(2));
