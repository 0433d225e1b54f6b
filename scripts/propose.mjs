// npm run --silent propose -- FILE… --brief BRIEF.json
import { runCommand } from './lib/ensure.mjs';

runCommand('propose', process.argv.slice(2));
