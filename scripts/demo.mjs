// npm run demo: the demo studio, filled on its first run and kept after.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/ensure.mjs';
import { serve } from './lib/serve.mjs';

const bundles = readdirSync(join(ROOT, 'demo'))
  .filter((name) => name.endsWith('.json'))
  .sort();
serve(['--data', 'data/demo', ...process.argv.slice(2), ...bundles.map((name) => join('demo', name))]);
