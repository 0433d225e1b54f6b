import type { Catalog, RungEntry } from '../repertoire';
import type { Condition } from '../vocabulary/words/condition';
import { type Caution, judge } from './judge';
import { VERDICTS } from './rule';

/** A rule that speaks, on how many rungs, and on which one most. */
interface SpokenRule {
  readonly caution: Caution;
  readonly count: number;
  readonly hardest: RungEntry;
}

/** What becomes of a rung in a room: nobody does it without its prop; what is too hot for all wants a lower option. */
export const LEFT = [...VERDICTS, 'too-hot', 'not-at-hand'] as const;
export type Left = (typeof LEFT)[number];
type Counts = Record<Left, number>;

export interface RepertoireSurvey {
  /** In the studio's order of positions; positions without a rung are left out. */
  readonly positions: ReadonlyArray<{ readonly position: string; readonly counts: Readonly<Counts> }>;
  /** Gravest first, then by how often they speak. */
  readonly rules: readonly SpokenRule[];
}

/**
 * What a room leaves of a whole repertoire, each rung judged at its own dose.
 * @param atHand whether there is at hand what a rung needs
 * @param homeHeat what everybody can take, 0 to 100: what is hotter and else fine is counted by itself
 */
export function surveyRepertoire(
  catalog: Catalog,
  conditions: readonly Condition[],
  atHand: (entry: RungEntry) => boolean = () => true,
  homeHeat = 100,
): RepertoireSurvey {
  const byPosition = new Map<string, Counts>();
  const byRule = new Map<string, SpokenRule>();
  for (const entry of catalog.rungs) {
    const { verdict, cautions } = judge(catalog, entry, conditions);
    const counts = byPosition.get(entry.position) ?? noneLeft();
    byPosition.set(entry.position, counts);
    if (!atHand(entry)) {
      counts['not-at-hand'] += 1;
      continue;
    }
    counts[verdict === 'fine' && catalog.heat(entry) > homeHeat ? 'too-hot' : verdict] += 1;
    for (const caution of cautions) {
      const key = `${caution.condition}/${caution.feature}/${caution.verdict}`;
      const known = byRule.get(key);
      const harder = !known || caution.value > known.caution.value;
      byRule.set(key, {
        caution: harder ? caution : known.caution,
        hardest: harder ? entry : known.hardest,
        count: (known?.count ?? 0) + 1,
      });
    }
  }
  const grave = ({ caution }: SpokenRule) => VERDICTS.indexOf(caution.verdict);
  return {
    positions: catalog.graph.positions.flatMap((position) => {
      const counts = byPosition.get(position);
      return counts ? [{ position, counts }] : [];
    }),
    rules: [...byRule.values()].sort((a, b) => grave(b) - grave(a) || b.count - a.count),
  };
}

const noneLeft = (): Counts => Object.fromEntries(LEFT.map((each) => [each, 0])) as Counts;
