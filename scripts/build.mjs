import { ensureBuild, ensurePackages } from './lib/ensure.mjs';

ensurePackages();
ensureBuild();
