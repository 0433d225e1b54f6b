import { once } from 'node:events';
import type { LaunchedServer } from '../studio';
import { EMBEDDED, type Ground, grounded } from './ground';
import type { Row } from './report';
import { type Acknowledged, bigBundle, countLost, writeUntilGone } from './writers';

async function killAfter({ child }: LaunchedServer, milliseconds: number): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve, milliseconds));
  child.kill('SIGKILL');
  await once(child, 'exit');
}

/** The server is killed again and again on one folder, while writers save; what they were told must be there. */
export async function kills(rounds: number, ground: Ground = EMBEDDED): Promise<Row> {
  const { start, end } = await grounded(ground);
  const told: Acknowledged = { versions: new Map(), count: 0 };
  const faults: string[] = [];
  let [opened, lost] = [0, 0];
  for (let round = 0; round < rounds; round++) {
    const server = await start();
    if (server.address === null) {
      faults.push(`round ${round}: ${server.said()}`);
      continue;
    }
    opened += 1;
    lost += await countLost(server.address, told);
    const writing = writeUntilGone(server.address, 6, `r${round}-`);
    await killAfter(server, 400 + ((round * 97) % 600));
    const { versions, count } = await writing;
    told.count += count;
    for (const [id, version] of versions) told.versions.set(id, version);
  }
  const last = await start();
  if (last.address !== null) lost += await countLost(last.address, told);
  last.child.kill('SIGKILL');
  end();
  return {
    what: `killed while six writers save${ground.words}`,
    measured: `${rounds} kills, ${opened} opened, ${told.count} saves acknowledged, ${lost} lost`,
    holds: opened === rounds && last.address !== null && lost === 0 && told.count > 0,
    faults,
  };
}

/** The server is killed in the middle of an import: all of it is there, or none. */
export async function killsInImport(rounds: number, ground: Ground = EMBEDDED): Promise<Row> {
  const { start, end } = await grounded(ground);
  const size = 1_500;
  const bundle = JSON.stringify(bigBundle(size));
  let [all, none, half] = [0, 0, 0];
  const faults: string[] = [];
  for (let round = 0; round < rounds; round++) {
    const server = await start();
    const post = (query: string, body: string) =>
      fetch(`${server.address}/api/bundle?mode=replace${query}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      }).catch(() => null);
    await post('', JSON.stringify(bigBundle(0)));
    void post('', bundle);
    await killAfter(server, 100 + ((round * 173) % 2_500));
    const again = await start();
    if (again.address === null) {
      faults.push(`round ${round}: ${again.said()}`);
      continue;
    }
    const found = (await (await fetch(`${again.address}/api/classes`)).json()) as unknown[];
    if (found.length === size) all += 1;
    else if (found.length === 0) none += 1;
    else half += 1;
    again.child.kill('SIGKILL');
    await once(again.child, 'exit');
  }
  end();
  return {
    what: `killed in an import of ${size} classes${ground.words}`,
    measured: `${rounds} kills: ${none} none, ${all} all, ${half} half`,
    holds: half === 0 && faults.length === 0,
    faults,
  };
}
