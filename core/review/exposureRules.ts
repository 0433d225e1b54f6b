import type { TimedBlock } from '../plan';
import { doseOf } from '../plan';
import { type Catalog, featureAt, featureSeconds, type TimeFeature } from '../repertoire';
import { spell } from './clock';
import { type Finding, type FindingCode, type Rule, rungTitle } from './finding';

interface Exposure {
  readonly feature: TimeFeature;
  readonly code: FindingCode;
  readonly words: string;
  readonly limits: (catalog: Catalog) => { readonly stretch: number; readonly total: number };
}

/** Parts that tire whatever the class is for, each with its most at a stretch and in all. */
const EXPOSURES: readonly Exposure[] = [
  {
    feature: 'headLifted',
    code: 'HEAD_LIFTED_LONG',
    words: 'The head is lifted',
    limits: ({ method: { limits } }) => ({ stretch: limits.headStretchSeconds, total: limits.headSeconds }),
  },
  {
    feature: 'extendedWrists',
    code: 'WRISTS_LONG',
    words: 'Weight is on extended wrists',
    limits: ({ method: { limits } }) => ({ stretch: limits.wristStretchSeconds, total: limits.wristSeconds }),
  },
  {
    feature: 'longDoubleLever',
    code: 'DOUBLE_LEVER_LONG',
    words: 'Both legs hang long',
    limits: ({ method: { limits } }) => ({
      stretch: limits.doubleLeverStretchSeconds,
      total: limits.doubleLeverSeconds,
    }),
  },
  {
    feature: 'kneeling',
    code: 'KNEELING_LONG',
    words: 'Weight is on the knees',
    limits: ({ method: { limits } }) => ({ stretch: limits.kneelingStretchSeconds, total: limits.kneelingSeconds }),
  },
];

export const exposureRule: Rule = ({ timed, catalog }) => [
  ...EXPOSURES.flatMap((exposure) => exposed(exposure, timed.blocks, catalog)),
  ...heldBreath(timed.blocks, catalog),
];

/** The longest stretch and the sum of one exposure over a class, each held against its limit. */
function exposed(
  { feature, code, words, limits }: Exposure,
  blocks: readonly TimedBlock[],
  catalog: Catalog,
): Finding[] {
  const { stretch, total } = limits(catalog);
  const touched = blocks.filter((block) => secondsIn(catalog, block, feature) > 0);
  const longest = touched.map((block) => ({
    block,
    value: featureAt(catalog.features(block.entry), feature, doseOf(block.entry, block.block)),
  }));
  const long = longest
    .filter(({ value }) => value > stretch)
    .map(
      ({ block, value }): Finding => ({
        code,
        severity: 'look',
        blocks: [block.index],
        value,
        limit: stretch,
        unit: 's',
        message: `${words} for ${spell(value)} at a stretch in ${rungTitle(block.entry)}; ${spell(stretch)} is the most.`,
        remedies: fewerReps(block, stretch / value),
      }),
    );
  const sum = touched.reduce((seconds, block) => seconds + secondsIn(catalog, block, feature), 0);
  if (sum <= total) return long;
  const message = `${words} for ${spell(sum)} in all; ${spell(total)} is the most for one class.`;
  const all: Finding = {
    code,
    severity: 'look',
    blocks: touched.map(({ index }) => index),
    value: sum,
    limit: total,
    unit: 's',
    message,
    remedies: [],
  };
  return [...long, all];
}

const secondsIn = (catalog: Catalog, { entry, work }: TimedBlock, feature: TimeFeature): number =>
  featureSeconds(catalog.features(entry), feature, work);

function fewerReps({ entry, block, index }: TimedBlock, share: number): Finding['remedies'] {
  const { reps } = doseOf(entry, block);
  const fewer = Math.floor(reps * share);
  if (fewer < 1 || fewer >= reps) return [];
  return [
    {
      label: `Block ${index + 1}: ${fewer} instead of ${reps}`,
      edits: [{ kind: 'dose', block: index, dose: { reps: fewer } }],
    },
  ];
}

/** The breath is never held with effort, whoever is in the room. */
function heldBreath(blocks: readonly TimedBlock[], catalog: Catalog): Finding[] {
  return blocks.flatMap(({ entry, index }): Finding[] => {
    const value = catalog.features(entry).spells.breathHeld.longest;
    if (value === 0) return [];
    return [
      {
        code: 'BREATH_HELD',
        severity: 'fix',
        blocks: [index],
        value,
        limit: 0,
        unit: 's',
        message: `${rungTitle(entry)} holds the breath with effort for ${spell(value)}; the effort wants an out-breath, or to breathe freely.`,
        remedies: [],
      },
    ];
  });
}
