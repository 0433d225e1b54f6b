// npm run --silent calendar -- FILE… --series ID --as ics
import { runCommand } from './lib/ensure.mjs';

runCommand('calendar', process.argv.slice(2));
