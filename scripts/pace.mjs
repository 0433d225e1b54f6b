// npm run --silent pace -- FILE… --teacher ID
import { runCommand } from './lib/ensure.mjs';

runCommand('pace', process.argv.slice(2));
