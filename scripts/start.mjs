// npm start: the studio in its own data folder, empty at first. `-- --data FOLDER --port NUMBER --host ADDRESS`
import { serve } from './lib/serve.mjs';

serve(process.argv.slice(2));
