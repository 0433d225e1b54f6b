// npm run --silent review -- FILE…
import { runCommand } from './lib/ensure.mjs';

runCommand('review', process.argv.slice(2));
