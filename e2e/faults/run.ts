import { fullDiskCalls, fullDiskMounted } from './fullDisk';
import { fuzz } from './fuzz';
import { EMBEDDED, HAS_POSTGRES, POSTGRES } from './ground';
import { manyHands } from './hands';
import { held } from './held';
import { kills, killsInImport } from './kills';
import { namespaces } from './namespaces';
import { powerCuts } from './powerCut';
import { powerCutsOnImage } from './powerCutImage';
import type { Row } from './report';

/** Power cuts at so many moments, from the first save to some thousands of calls later. */
const moments = (count: number) => Array.from({ length: count }, (_, i) => 400 + Math.round((i * 7_200) / count));

/** What is tried of a PostgreSQL server too, where one is installed: its disk and its power are its own business. */
function onPostgres(kill: number, inImport: number, files: number, hands: number): ReadonlyArray<() => Promise<Row>> {
  if (!HAS_POSTGRES) return [];
  return [
    () => kills(kill, POSTGRES),
    () => killsInImport(inImport, POSTGRES),
    () => fuzz(files, POSTGRES),
    () => manyHands(hands, POSTGRES, 4),
  ];
}

/** Every script by size, the longest first. */
const SIZES: Readonly<Record<string, ReadonlyArray<() => Promise<Row>>>> = {
  /** Seconds, without rights: in every test run. */
  short: [() => held(0.05), () => killsInImport(1), () => kills(1), () => fuzz(90), () => fullDiskCalls()],
  /** Some minutes, with mounts and namespaces: in every long check. */
  medium: [
    () => held(0.4),
    () => kills(20),
    () => powerCuts(moments(5)),
    () => powerCutsOnImage([3, 8]),
    () => killsInImport(6),
    () => fuzz(600),
    () => manyHands(15, EMBEDDED),
    () => fullDiskMounted(),
    () => namespaces(),
    ...onPostgres(10, 3, 200, 15),
  ],
  /** What the table in docs/reliability.md is measured by. */
  long: [
    () => held(1),
    () => powerCuts(moments(24)),
    () => kills(100),
    () => killsInImport(24),
    () => powerCutsOnImage([2, 4, 7, 11, 16, 22]),
    () => fuzz(3_000),
    () => manyHands(60, EMBEDDED),
    () => fullDiskMounted(),
    () => fullDiskCalls(),
    () => namespaces(),
    ...onPostgres(50, 12, 1_000, 60),
  ],
};

const wanted = (option: string) => process.argv.find((word) => word.startsWith(`--${option}=`))?.split('=')[1];
const only = wanted('only');
const scripts = (SIZES[wanted('size') ?? 'long'] ?? []).filter((each) => !only || String(each).includes(only));
const rows: Row[] = [];

/** Tries one script after another, as long as there are any. */
async function tryNext(): Promise<void> {
  for (let run = scripts.shift(); run; run = scripts.shift()) {
    const began = performance.now();
    const row = await run();
    const seconds = Math.round((performance.now() - began) / 1_000);
    rows.push(row);
    console.log(`| ${row.what} | ${row.measured} | ${row.holds ? 'holds' : 'FAILS'} | ${seconds} s |`);
    for (const fault of row.faults ?? []) console.error(`  ${fault}`);
  }
}

// Two at a time: each waits for servers to start.
await Promise.all([tryNext(), tryNext()]);
process.exit(rows.length > 0 && rows.every(({ holds }) => holds) ? 0 : 1);
