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
  // Some forty by chance, and others with each change of the code: their share strays by six of a hundred, so what turns
  // this red is three times that below what is wanted of a whole run.
  ['one-line faults in the code', ...node('scripts/mutants.mjs', '--minutes', '15', '--least', '65')],
];
endChecks(times, began, !runChecks(CHECKS, { ...env, ...built }, times), postgres);
