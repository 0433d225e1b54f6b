// npm run bench: one JSON line a figure, each with the bound it must keep and their ratio.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, ensurePreparedFolder, ROOT } from './lib/ensure.mjs';

ensurePackages();
ensureBuild();
const env = { ...process.env, CHROMIUM_PATH: ensureChromium(), PREPARED_FOLDER: ensurePreparedFolder() };
for (const name of ['review', 'saving', 'startup', 'interface', 'list', 'figures']) {
  const file = join(ROOT, 'e2e/bench', `${name}.ts`);
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', file], { cwd: ROOT, stdio: 'inherit', env });
  if (status !== 0) process.exit(status ?? 1);
}
