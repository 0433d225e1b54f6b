import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { launch, newFolder } from '../studio';
import type { Row } from './report';
import { whereAllowed } from './rights';

const WHAT = 'two process namespaces on one folder';

/** Two servers on one folder, each in a process namespace of its own, as in two containers: the second is refused. */
export const namespaces = (): Promise<Row> => whereAllowed('a process namespace', WHAT, twoServers);

async function twoServers(): Promise<Row> {
  const folder = newFolder();
  const data = join(folder, 'data');
  const apart = ['unshare', '--pid', '--fork', '--mount-proc', '--kill-child'];
  const first = await launch(data, { bare: true, under: apart });
  const second = await launch(data, { bare: true, under: apart });
  const outside = await launch(data, { bare: true });
  const refused = [second, outside].map(({ address, said }) => address === null && /in use by another/.test(said()));
  const answers = (await fetch(`${first.address}/api/health`)).ok;
  first.child.kill('SIGKILL');
  await once(first.child, 'exit');
  // The holder is gone with its namespace: the folder is free.
  const after = await launch(data, { bare: true });
  const free = after.address !== null;
  for (const { child } of [second, outside, after]) child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
  return {
    what: WHAT,
    measured: `second ${refused[0] ? 'refused' : 'started'}, one outside ${refused[1] ? 'refused' : 'started'}, first ${answers ? 'answers' : 'silent'}, ${free ? 'free' : 'held'} after its end`,
    holds: refused.every(Boolean) && answers && free,
  };
}
