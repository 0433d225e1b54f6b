// npm run demo: the demo studio, filled on its first run and kept after.
import { DEMO_FILES } from './lib/demoFiles.mjs';
import { serve } from './lib/serve.mjs';

serve(['--data', 'data/demo', ...process.argv.slice(2), ...DEMO_FILES]);
