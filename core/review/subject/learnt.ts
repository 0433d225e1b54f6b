import type { Audience } from '../../plan';
import type { Catalog, RungEntry } from '../../repertoire';

/** What people of a level have learnt up to, below the hardest they take as a main version. Source: docs/review.md. */
const BELOW: Readonly<Partial<Record<NonNullable<Audience['level']>, number>>> = { improver: 15, advanced: 5 };

const known = new WeakMap<Catalog, WeakMap<Audience, ReadonlySet<string>>>();
const NOTHING: ReadonlySet<string> = new Set();

/**
 * Keys of the rungs an audience has learnt outside its classes: what it is said to know and what everybody of its
 * level knows, each with the lower rungs of its ladder and all it requires.
 * @param homeHeat the heat of a main version that everyone can take
 */
export function learntBy(catalog: Catalog, audience: Audience | undefined, homeHeat: number): ReadonlySet<string> {
  if (!audience) return NOTHING;
  const { knows = [], level } = audience;
  const below = level && BELOW[level];
  if (knows.length === 0 && below === undefined) return NOTHING;
  let own = known.get(catalog);
  if (!own) {
    own = new WeakMap();
    known.set(catalog, own);
  }
  let learnt = own.get(audience);
  if (!learnt) {
    const most = below === undefined ? Number.NEGATIVE_INFINITY : homeHeat - below;
    const said = new Set(knows);
    const first = catalog.rungs.filter(
      (entry) => said.has(entry.key) || said.has(entry.exercise.id) || catalog.heat(entry) <= most,
    );
    learnt = withRequired(catalog, first);
    own.set(audience, learnt);
  }
  return learnt;
}

/** Rungs with the lower ones of their ladders and all they require. */
function withRequired(catalog: Catalog, first: readonly RungEntry[]): ReadonlySet<string> {
  const keys = new Set<string>();
  const left = [...first];
  for (let entry = left.pop(); entry; entry = left.pop()) {
    if (keys.has(entry.key)) continue;
    keys.add(entry.key);
    const { exercise, step, rung } = entry;
    const below = catalog.ladder(exercise.id).filter((each) => each.step < step && each.rung.branchOf === undefined);
    const required = (rung.requires ?? []).flatMap((each) => catalog.rung(each) ?? []);
    left.push(...below, ...required);
  }
  return keys;
}
