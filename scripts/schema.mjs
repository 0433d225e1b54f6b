// npm run schema: publishes the bundle's JSON Schema from the schema of the core.
import { runCommand } from './lib/ensure.mjs';

runCommand('publishSchema', process.argv.slice(2));
