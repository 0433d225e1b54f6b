// npm run screenshots: one picture of each main view, made from the demo data.
import { ensureBuild, ensureChromium, ensurePackages, runTypeScript } from './lib/ensure.mjs';

ensurePackages();
ensureBuild();
runTypeScript('e2e/screenshots.ts', [], { env: { ...process.env, CHROMIUM_PATH: ensureChromium() } });
