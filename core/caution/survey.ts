import type { Catalog, RungEntry } from '../repertoire';
import type { Condition } from '../vocabulary/condition';
import { type Caution, judge } from './judge';
import { VERDICTS, type Verdict } from './rules';

/** A rule that speaks, on how many rungs, and on which one most. */
export interface SpokenRule {
  readonly caution: Caution;
  readonly count: number;
  readonly hardest: RungEntry;
}

export interface RepertoireSurvey {
  /** In the studio's order of positions; positions without a rung are left out. */
  readonly positions: ReadonlyArray<{ readonly position: string; readonly counts: Readonly<Record<Verdict, number>> }>;
  /** Gravest first, then by how often they speak. */
  readonly rules: readonly SpokenRule[];
}

/** What conditions in the room leave of a whole repertoire, each rung judged at its own dose. */
export function surveyRepertoire(catalog: Catalog, conditions: readonly Condition[]): RepertoireSurvey {
  const byPosition = new Map<string, Record<Verdict, number>>();
  const byRule = new Map<string, SpokenRule>();
  for (const entry of catalog.rungs) {
    const { verdict, cautions } = judge(catalog, entry, conditions);
    const counts = byPosition.get(entry.position) ?? { fine: 0, adapt: 0, swap: 0, 'clear-first': 0 };
    counts[verdict] += 1;
    byPosition.set(entry.position, counts);
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
