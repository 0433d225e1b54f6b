import { customaryPlace } from '../../vocabulary/bodies/position';
import { type Chance, shuffled } from '../../vocabulary/chance';
import type { Search } from '../briefs/aims';
import { levelOf } from './orders';

/** A stay of a draft: where, and up to which share of the class. */
export interface Stay {
  readonly position: string;
  readonly until: number;
}

/** Minutes in one position. */
const STAY_MINUTES = 8;

/** Positions with so many rungs to choose from are worth a stay. */
const WORTH_A_STAY = 4;

/** Where a class is, and how long: from where people begin to where they end, its thread where the peak belongs. */
export function staysFor(search: Search, chance: Chance, threadIn: string | undefined): Stay[] {
  const { catalog, fit, frame, order } = search;
  const counts = new Map<string, number>();
  for (const { position } of fit) counts.set(position, (counts.get(position) ?? 0) + 1);
  const like = (position: string) => catalog.graph.like(position);
  const enough = [...counts].flatMap(([position, count]) => (count >= WORTH_A_STAY ? [position] : []));
  const open = enough.length > 0 ? enough : [...counts.keys()];
  const own = threadIn ?? chance.one(open);
  const begins = frame.openingPosition;
  const level = (position: string) => {
    if (order !== 'customary') return levelOf(like(position));
    return customaryPlace(like(position));
  };
  const minutes = frame.targetMinutes * 0.9;
  const most = Math.max(1, Math.min(6, 1 + Math.floor(minutes / STAY_MINUTES)));
  const wanted = Math.max(1, most - chance.below(2));
  const up = order === 'customary' ? true : begins === undefined ? chance.share() < 0.5 : level(begins) < level(own);
  const side = (position: string) => Math.sign(level(position) - level(own)) * (up ? 1 : -1);
  const choose = (from: readonly string[], count: number, must?: string) => {
    const first = must !== undefined && from.includes(must) ? [must] : [];
    const others = shuffled(
      from.filter((each) => each !== must),
      chance,
    );
    return [...first, ...others]
      .slice(0, Math.max(count, first.length))
      .sort((a, b) => (level(a) - level(b)) * (up ? 1 : -1));
  };
  const others = open.filter((position) => position !== own);
  const after = choose(
    others.filter((each) => side(each) > 0),
    Math.min(2, Math.max(0, wanted - 1)),
  );
  const first = begins === undefined ? undefined : open.find((position) => like(position) === like(begins));
  const before = choose(
    others.filter((each) => side(each) < 0),
    Math.max(0, wanted - 1 - after.length),
    first,
  );
  return sharesOf([...before], own, after, chance);
}

/** How long each stay is: the thread's ends after the peak, what follows it eases. */
function sharesOf(before: readonly string[], own: string, after: readonly string[], chance: Chance): Stay[] {
  const ends = after.length === 0 ? 1 : 0.78 + 0.06 * chance.share();
  const length = before.length === 0 ? ends : 0.32 + 0.16 * chance.share() + (after.length === 0 ? 0.15 : 0);
  const begins = Math.max(0, ends - length);
  const stays: Stay[] = before.map((position, i) => ({ position, until: (begins * (i + 1)) / before.length }));
  stays.push({ position: own, until: ends });
  for (const [i, position] of after.entries()) {
    stays.push({ position, until: ends + ((1 - ends) * (i + 1)) / after.length });
  }
  return stays;
}
