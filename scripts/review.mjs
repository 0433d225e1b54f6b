// npm run --silent review -- FILE…
import { ensurePackages, runTypeScript } from './lib/ensure.mjs';

ensurePackages();
runTypeScript('server/src/review.ts', process.argv.slice(2));
