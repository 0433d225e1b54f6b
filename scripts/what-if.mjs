// npm run --silent what-if -- FILE… --series ID --episode N --leave-out
import { runCommand } from './lib/ensure.mjs';

runCommand('whatIf', process.argv.slice(2));
