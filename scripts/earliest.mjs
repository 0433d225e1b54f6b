// npm run --silent earliest -- FILE… --series ID --rung EX/RUNG
import { runCommand } from './lib/ensure.mjs';

runCommand('earliest', process.argv.slice(2));
