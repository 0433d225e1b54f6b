// npm run --silent replan -- FILE… --class ID --at BLOCK --elapsed SECONDS
import { runCommand } from './lib/ensure.mjs';

runCommand('replan', process.argv.slice(2));
