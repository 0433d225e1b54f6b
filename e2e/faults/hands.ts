import { once } from 'node:events';
import type { ClassPlan } from '@warm-ladder/core/plan';
import type { History } from '@warm-ladder/core/wire';
import type { LaunchedServer } from '../studio';
import { type Ground, grounded } from './ground';
import type { Row } from './report';

/** People on a class with a block each, and on one field of it. */
const [APART, TOGETHER] = [20, 50];
/** Milliseconds between two kills, and before what was not answered is sent again. */
const [KILL, AGAIN] = [2_500, 100];

const SHARED = 'shared';
const plan: ClassPlan = {
  id: SHARED,
  name: 'By many hands',
  delivery: 'group',
  targetMinutes: 45,
  openingSeconds: 60,
  closingSeconds: 60,
  blocks: Array.from({ length: APART }, (_, n) => ({ id: `b${n}`, interlude: 'talk', name: `Talk ${n}`, seconds: 60 })),
};

interface Answer {
  readonly status: number;
  readonly version?: number;
  readonly value?: ClassPlan;
  readonly current?: { readonly version: number; readonly value: ClassPlan };
}

async function killed(server: LaunchedServer | undefined): Promise<void> {
  if (!server) return;
  const { child } = server;
  child.kill('SIGKILL');
  if (child.exitCode === null && child.signalCode === null) await once(child, 'exit');
}

/** Some servers over one studio, one of which is killed and begun again every few seconds. */
class Servers {
  readonly #running: LaunchedServer[] = [];
  readonly #start: (n: number) => Promise<LaunchedServer>;
  readonly #end: () => void;
  kills = 0;

  private constructor(start: (n: number) => Promise<LaunchedServer>, end: () => void) {
    this.#start = start;
    this.#end = end;
  }

  static async begin(ground: Ground, count: number): Promise<Servers> {
    const { start, end } = await grounded(ground);
    const servers = new Servers(start, end);
    for (let n = 0; n < count; n++) servers.#running.push(await start(n));
    return servers;
  }

  address(n: number): string {
    return this.#running[n % this.#running.length]?.address ?? '';
  }

  get count(): number {
    return this.#running.length;
  }

  async killOne(): Promise<void> {
    const n = this.kills % this.#running.length;
    this.kills += 1;
    await killed(this.#running[n]);
    this.#running[n] = await this.#start(n);
  }

  async end(): Promise<void> {
    for (const server of this.#running) await killed(server);
    this.#end();
  }

  /** Sends a class made from a version as a page does: again and again until there is an answer. */
  async put(n: number, version: number, value: ClassPlan): Promise<Answer> {
    for (;;) {
      try {
        const response = await fetch(`${this.address(n)}/api/classes/${SHARED}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ version, value }),
        });
        if (response.status < 500) return { ...((await response.json()) as object), status: response.status };
      } catch {
        // The server is gone; the next one answers.
      }
      await new Promise((resolve) => setTimeout(resolve, AGAIN));
    }
  }

  async get<T>(n: number, path: string): Promise<T> {
    return (await (await fetch(`${this.address(n)}/api/${path}`)).json()) as T;
  }
}

/** What came of many hands on one class. */
interface Came {
  readonly kept: number;
  readonly asked: number;
  readonly faults: readonly string[];
}

/** So many hands at once, for some seconds. */
function hands(count: number, seconds: number, hand: (n: number, until: number) => Promise<void>) {
  const until = performance.now() + seconds * 1_000;
  return Promise.all(Array.from({ length: count }, (_, n) => hand(n, until)));
}

/** Each names its own block while servers are killed. */
async function apart(servers: Servers, seconds: number): Promise<Came> {
  const { version = 0 } = await servers.put(0, 0, plan);
  const faults: string[] = [];
  const last = new Map<number, string>();
  let [kept, asked, killing] = [0, 0, true];
  const killer = (async () => {
    while (killing) {
      await new Promise((resolve) => setTimeout(resolve, KILL));
      if (killing) await servers.killOne();
    }
  })();
  await hands(APART, seconds, async (n, until) => {
    let [here, base] = [plan, version];
    for (let turn = 0; performance.now() < until; turn++) {
      const words = `Of ${n}, ${turn}`;
      const sent = { ...here, blocks: here.blocks.map((each, i) => (i === n ? { ...each, name: words } : each)) };
      const answer = await servers.put(n, base, sent as ClassPlan);
      if (answer.status !== 200) {
        asked += 1;
        faults.push(`hand ${n} was asked: ${JSON.stringify(answer).slice(0, 300)}`);
        return;
      }
      here = answer.value ?? (sent as ClassPlan);
      base = answer.version ?? 0;
      last.set(n, words);
      kept += 1;
    }
  });
  killing = false;
  await killer;
  const ends = new Set<string>();
  for (let n = 0; n < servers.count; n++) {
    const { value } = await servers.get<{ value: ClassPlan }>(n, `classes/${SHARED}`);
    ends.add(JSON.stringify(value));
    for (const [hand, words] of last) {
      const block = value.blocks[hand];
      if (!block || !('name' in block) || block.name !== words) faults.push(`hand ${hand} lost “${words}”`);
    }
  }
  if (ends.size > 1) faults.push('the servers do not end with one and the same class');
  return { kept, asked, faults };
}

/** All name the class; who is asked keeps their own. */
async function together(servers: Servers, seconds: number): Promise<Came> {
  const faults: string[] = [];
  const kept: string[] = [];
  let asked = 0;
  const now = await servers.get<{ version: number; value: ClassPlan }>(0, `classes/${SHARED}`);
  await hands(TOGETHER, seconds, async (n, until) => {
    let { value: here, version: base } = now;
    for (let turn = 0; performance.now() < until; turn++) {
      const name = `Named by ${n}, ${turn}`;
      const answer = await servers.put(n, base, { ...here, name });
      if (answer.status === 409 && answer.current) {
        asked += 1;
        ({ value: here, version: base } = answer.current);
      } else if (answer.status !== 200) {
        faults.push(`an answer was ${answer.status}`);
        return;
      } else {
        if (answer.value && answer.value.name !== name) faults.push(`“${name}” was written over unasked`);
        kept.push(name);
        here = answer.value ?? { ...here, name };
        base = answer.version ?? 0;
      }
    }
  });
  const names = await namesIn(servers);
  const lost = kept.filter((name) => !names.has(name));
  if (lost.length > 0) faults.push(`${lost.length} names that were kept are not in the history, as “${lost[0]}”`);
  return { kept: kept.length, asked, faults };
}

/**
 * Twenty people edit a block each of one class while servers are killed: nobody is asked, nothing is lost and all are equal
 * at the end. Then fifty write one field of it: who comes late is always asked, and what was kept is in the history.
 * @param seconds for each of the two @param processes servers over one studio: more than one on PostgreSQL only
 */
export async function manyHands(seconds: number, ground: Ground, processes = 1): Promise<Row> {
  const servers = await Servers.begin(ground, processes);
  const blocks = await apart(servers, seconds);
  const names = await together(servers, seconds);
  await servers.end();
  const faults = [...blocks.faults, ...names.faults];
  return {
    what: `${APART} people on one class, then ${TOGETHER} on one field of it${ground.words}`,
    measured:
      `${blocks.kept} saves of blocks over ${servers.kills} kills of ${processes} ${processes === 1 ? 'process' : 'processes'}, ` +
      `${blocks.asked} asked; ${names.kept} names kept, ${names.asked} asked, ${faults.length} wrong`,
    holds: faults.length === 0 && blocks.kept > 0 && names.kept > 0 && names.asked > 0,
    faults: faults.slice(0, 5),
  };
}

/** Every name the class had, by its history. */
async function namesIn(servers: Servers): Promise<ReadonlySet<string>> {
  const names = new Set<string>();
  for (let before = ''; ; ) {
    const { changes, more } = await servers.get<History>(0, `history?kind=classes&id=${SHARED}&most=100${before}`);
    for (const { edit } of changes) {
      for (const change of edit) if (change.op === 'set' && change.path[0] === 'name') names.add(String(change.value));
    }
    if (!more) return names;
    before = `&before=${changes.at(-1)?.version}`;
  }
}
