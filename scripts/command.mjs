// npm run review, mend, propose, script …: one of the compiled commands by its file's name in server/src/commands. What
// follows `--` goes to it, which says what it wants when called wrongly; README.md lists them.
import { runCommand } from './lib/ensure.mjs';

const [name, ...args] = process.argv.slice(2);
runCommand(name, args);
