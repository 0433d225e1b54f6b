// npm run --silent package -- FILE… --series ID --out FOLDER
import { runCommand } from './lib/ensure.mjs';

runCommand('package', process.argv.slice(2));
