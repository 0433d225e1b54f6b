import { once } from 'node:events';
import { diff } from '@warm-ladder/core/edits';
import type { ClassPlan } from '@warm-ladder/core/plan';
import type { ChangeAnswer, ChangesAnswer, History } from '@warm-ladder/core/wire';
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

/** The class as a hand has it, and the version that is of. */
interface Here {
  readonly version: number;
  readonly value: ClassPlan;
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

  /** Sends what a hand changed in the class as a page does: again and again until there is an answer. */
  async put(n: number, here: Here | null, value: ClassPlan): Promise<ChangeAnswer> {
    const what = here ? { version: here.version, edit: diff(here.value, value) } : { version: 0, value };
    const body = JSON.stringify({ changes: [{ kind: 'classes', id: SHARED, ...what }] });
    for (;;) {
      try {
        const response = await fetch(`${this.address(n)}/api/changes`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body,
        });
        const [answer] = response.ok ? ((await response.json()) as ChangesAnswer).answers : [];
        if (answer) return answer;
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
  const begun = await servers.put(0, null, plan);
  const first: Here = { version: begun.outcome === 'kept' ? begun.version : 0, value: plan };
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
    let here = first;
    for (let turn = 0; performance.now() < until; turn++) {
      const words = `Of ${n}, ${turn}`;
      const { blocks } = here.value;
      const sent = { ...here.value, blocks: blocks.map((each, i) => (i === n ? { ...each, name: words } : each)) };
      const answer = await servers.put(n, here, sent as ClassPlan);
      if (answer.outcome !== 'kept') {
        asked += 1;
        faults.push(`hand ${n} was asked: ${JSON.stringify(answer).slice(0, 300)}`);
        return;
      }
      here = { version: answer.version, value: (answer.value ?? sent) as ClassPlan };
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
  const now = await servers.get<Here>(0, `classes/${SHARED}`);
  await hands(TOGETHER, seconds, async (n, until) => {
    let here = now;
    for (let turn = 0; performance.now() < until; turn++) {
      const name = `Named by ${n}, ${turn}`;
      const sent = { ...here.value, name };
      const answer = await servers.put(n, here, sent);
      if (answer.outcome === 'stale' && answer.current) {
        asked += 1;
        here = answer.current as Here;
      } else if (answer.outcome !== 'kept') {
        faults.push(`an answer was “${answer.outcome}”`);
        return;
      } else {
        const value = (answer.value ?? sent) as ClassPlan;
        if (value.name !== name) faults.push(`“${name}” was written over unasked`);
        kept.push(name);
        here = { version: answer.version, value };
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
