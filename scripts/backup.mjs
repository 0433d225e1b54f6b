// npm run backup -- FILE: the whole studio as a file, while its server runs or not. `--data FOLDER`
import { runCommand } from './lib/ensure.mjs';

runCommand('backup', process.argv.slice(2));
