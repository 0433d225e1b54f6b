import { bandsFor, DIRECTIONS } from '../method';
import type { TimedBlock } from '../plan';
import { percent, spell } from './clock';
import { type Finding, type Rule, rungTitle } from './finding';

/** Work of each direction held against its band. */
export const directionSharesRule: Rule = ({ timed, catalog }) => {
  const work = timed.parts.work;
  if (work === 0) return [];
  const bands = bandsFor(catalog.method.directionBands, timed.plan.focus);
  return DIRECTIONS.flatMap((direction): Finding[] => {
    const seconds = timed.directions[direction] ?? 0;
    const value = seconds / work;
    const { min, max } = bands[direction];
    const blocks = timed.blocks.filter(({ entry }) => entry.exercise.directions.includes(direction));
    if (value > max) {
      return [
        {
          code: 'DIRECTION_HIGH',
          severity: 'fix',
          blocks: blocks.map(({ index }) => index),
          value,
          limit: max,
          unit: '',
          message: `${percent(value)} of the work is ${direction}; ${percent(max)} is the most for this class.`,
          remedies: [],
        },
      ];
    }
    if (value >= min) return [];
    return [
      {
        code: 'DIRECTION_LOW',
        severity: 'look',
        blocks: [],
        value,
        limit: min,
        unit: '',
        message:
          seconds === 0
            ? `There is no ${direction} in this class.`
            : `Only ${percent(value)} of the work is ${direction}; ${percent(min)} is the least for this class.`,
        remedies: [],
      },
    ];
  });
};

const flexionSeconds = ({ entry, work }: TimedBlock): number =>
  entry.exercise.directions.includes('flexion') ? work / entry.exercise.directions.length : 0;
const releases = ({ entry }: TimedBlock): boolean =>
  entry.exercise.directions.some((direction) => direction === 'extension' || direction === 'neutral') &&
  !entry.exercise.directions.includes('flexion');

/** Bending forward adds up until a block of extension or neutral work releases it. */
export const flexionStretchRule: Rule = ({ timed, catalog }) => {
  const limit = catalog.method.limits.flexionStretchSeconds;
  const findings: Finding[] = [];
  let stretch: TimedBlock[] = [];
  const close = (release: TimedBlock | undefined) => {
    const value = stretch.reduce((sum, block) => sum + flexionSeconds(block), 0);
    const [first] = stretch;
    const last = stretch.at(-1);
    if (value > limit && first && last) {
      findings.push({
        code: 'FLEXION_STRETCH',
        severity: release ? 'look' : 'fix',
        blocks: stretch.map(({ index }) => index),
        value,
        limit,
        unit: 's',
        message: `${spell(value)} of bending forward from ${rungTitle(first.entry)} to ${rungTitle(last.entry)} ${
          release ? `before ${rungTitle(release.entry)} releases it` : 'with no extension or neutral work after it'
        }; ${spell(limit)} is the most.`,
        remedies: release ? releaseSooner(stretch, release, limit) : [],
      });
    }
    stretch = [];
  };
  for (const block of timed.blocks) {
    if (releases(block)) close(block);
    else if (flexionSeconds(block) > 0) stretch.push(block);
  }
  close(undefined);
  return findings;
};

/** The release brought forward to where the stretch would pass its limit. */
function releaseSooner(stretch: readonly TimedBlock[], release: TimedBlock, limit: number): Finding['remedies'] {
  let sum = 0;
  const over = stretch.find((block) => {
    sum += flexionSeconds(block);
    return sum > limit;
  });
  if (!over || over === stretch[0]) return [];
  return [
    {
      label: `Do ${rungTitle(release.entry)} before ${rungTitle(over.entry)}`,
      edits: [{ kind: 'move', from: release.index, to: over.index }],
    },
  ];
}
