// npm run schema: publishes the bundle's JSON Schema from the schema of the core.
import { ensurePackages, runTypeScript } from './lib/ensure.mjs';

ensurePackages();
runTypeScript('server/src/publishSchema.ts', process.argv.slice(2));
