import { fullDiskCalls, fullDiskMounted } from './fullDisk';
import { fuzz } from './fuzz';
import { kills, killsInImport } from './kills';
import { namespaces } from './namespaces';
import { powerCuts } from './powerCut';
import { powerCutsOnImage } from './powerCutImage';
import type { Row } from './report';

/** In seconds and without rights: a few of each, the longest first. */
const SHORT = [
  () => powerCuts([420, 1_100]),
  () => killsInImport(1),
  () => kills(2),
  () => fuzz(180),
  () => fullDiskCalls(),
];

/** In minutes, with mounts and namespaces. */
const LONG = [
  () => kills(100),
  () => killsInImport(24),
  () => powerCuts(Array.from({ length: 24 }, (_, i) => 350 + i * 311)),
  () => powerCutsOnImage([2, 4, 7, 11, 16, 22]),
  () => namespaces(),
  () => fullDiskCalls(),
  () => fullDiskMounted(),
  () => fuzz(3_000),
];

const short = process.argv.includes('--short');
const only = process.argv.find((word) => word.startsWith('--only='))?.slice(7);
const scripts = (short ? SHORT : LONG).filter((each) => !only || String(each).includes(only));
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

// The short ones mostly wait for a server to start; the long ones are to have the machine for themselves.
await Promise.all(Array.from({ length: short ? 2 : 1 }, tryNext));
process.exit(rows.every(({ holds }) => holds) ? 0 : 1);
