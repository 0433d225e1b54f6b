// npm run check:long: what takes minutes, or rights that a test run does not have. The last lines say how long each took.
import { buildForChecks, endChecks, interfaceTests, node, prepareChecks, runChecks, unitTests } from './lib/checks.mjs';

const began = Date.now();
const times = [];
const { postgres, env } = await prepareChecks();
const built = buildForChecks();
const CHECKS = [
  unitTests('long'),
  interfaceTests('long'),
  ['faults', ...node('scripts/faults.mjs', '--size=medium')],
  ['text documents in an office program', ...node('scripts/checkOffice.mjs')],
];
endChecks(times, began, !runChecks(CHECKS, { ...env, ...built }, times), postgres);
