// npm run restore -- FILE: the studio becomes what the file holds. `--data FOLDER`
import { runCommand } from './lib/ensure.mjs';

runCommand('restore', process.argv.slice(2));
