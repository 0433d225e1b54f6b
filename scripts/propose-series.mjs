// npm run --silent propose-series -- FILE… --brief BRIEF.json
import { runCommand } from './lib/ensure.mjs';

runCommand('proposeSeries', process.argv.slice(2));
