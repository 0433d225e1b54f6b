// npm run move -- to URL | from URL: a folder's studio into a PostgreSQL database, and back. `--data FOLDER`
import { runCommand } from './lib/ensure.mjs';

runCommand('move', process.argv.slice(2));
