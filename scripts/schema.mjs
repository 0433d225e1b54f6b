// npm run schema: publishes in docs/ the JSON Schema of the bundle and the tables of the review, from the core.
import { runCommand } from './lib/ensure.mjs';

runCommand('publish', process.argv.slice(2));
