import { fullDiskCalls, fullDiskMounted } from './fullDisk';
import { fuzz } from './fuzz';
import { kills, killsInImport } from './kills';
import { namespaces } from './namespaces';
import { powerCuts } from './powerCut';
import { powerCutsOnImage } from './powerCutImage';
import type { Row } from './report';

/** In seconds and without rights: a few of each. */
const SHORT = [
  () => kills(3),
  () => killsInImport(2),
  () => powerCuts([700, 1_900, 2_600]),
  () => fullDiskCalls(),
  () => fuzz(240),
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
const rows: Row[] = [];
for (const run of (short ? SHORT : LONG).filter((each) => !only || String(each).includes(only))) {
  const began = performance.now();
  const row = await run();
  const seconds = Math.round((performance.now() - began) / 1_000);
  rows.push(row);
  console.log(`| ${row.what} | ${row.measured} | ${row.holds ? 'holds' : 'FAILS'} | ${seconds} s |`);
  for (const fault of row.faults ?? []) console.error(`  ${fault}`);
}
process.exit(rows.every(({ holds }) => holds) ? 0 : 1);
