import type { Chance } from '../../vocabulary/chance';
import { type Searching, searchedThrough, withinSearch } from '../../vocabulary/searching';
import { type Search, type Tried, triedUnder, tryOut } from '../briefs/aims';
import { type Composition, keysIn } from './composition';
import { draft } from './draft';
import { stepFrom } from './steps';

/** How warm the search begins, begins again, and ends: a step that makes a class worse by as much is taken about once in three. */
const [HOT, REHEATED, COLD] = [6, 4, 0.08];
/** The part of the evaluations in which it may still get worse. */
const COOLING = 0.85;
/** The part of the evaluations that look for a draft to begin from, and how many there are at most. */
const [DRAFTING, DRAFTS] = [0.06, 60];

/** How often it is told how many classes were tried, in evaluations. */
const TOLD_EVERY = 250;

/**
 * Looks for the class of the least cost by simulated annealing over the neighbourhood of the best of some drafts:
 * groups, their places and rungs, rests, chains of what is required. The best seen is returned.
 * @param evaluations how many classes are tried
 * @param from a class found before, to go on from less warm; a draft when unsaid
 */
export const anneal = (search: Search, chance: Chance, evaluations: number, from?: Composition): Tried =>
  searchedThrough(annealing(search, chance, evaluations, from));

/** The same as a search that can be stopped with the best it has seen: it tells how many classes were tried. */
export function* annealing(search: Search, chance: Chance, evaluations: number, from?: Composition): Searching<Tried> {
  if (search.fit.length > FEW_RUNGS)
    return yield* annealOnce(search, chance, evaluations, (made, most) => triedUnder(search, made, most), from);
  // Where there are few classes, several short searches find the best of them more surely than one long one, and none
  // is measured twice.
  const known = new Map<string, Tried>();
  const tried = (made: Composition) => {
    const key = made.groups
      .map((group) => `${keysIn({ groups: [group], scale: 1 }).join(' ')}|${group.rest ?? ''}`)
      .join('/');
    const found = known.get(key) ?? tryOut(search, made);
    known.set(key, found);
    return found;
  };
  let best: Tried | undefined;
  let going = true;
  for (let i = 0; i < MOST_SHORT_SEARCHES && going && known.size < evaluations; i++) {
    const { found, goesOn } = yield* withinSearch(annealOnce(search, chance, SHORT_SEARCH, tried), () => known.size);
    going = goesOn;
    if (!best || found.cost < best.cost) best = found;
  }
  return best as Tried;
}

/** Rungs to choose from that make few classes; the steps of each search that is then made, and how many there are at most. */
const [FEW_RUNGS, SHORT_SEARCH, MOST_SHORT_SEARCHES] = [12, 900, 24];

function* annealOnce(
  search: Search,
  chance: Chance,
  evaluations: number,
  attempt: (made: Composition, most: number) => Tried | null,
  from?: Composition,
): Searching<Tried> {
  const hot = from ? REHEATED : HOT;
  let now = attempt(from ?? draft(search, chance), Number.POSITIVE_INFINITY) as Tried;
  const drafts = from ? 0 : Math.min(DRAFTS, Math.round(evaluations * DRAFTING));
  for (let i = 0; i < drafts; i++) {
    const other = attempt(draft(search, chance), now.cost);
    if (other && other.cost < now.cost) now = other;
  }
  let best = now;
  for (let evaluated = drafts + 1; evaluated < evaluations; evaluated++) {
    if (evaluated % TOLD_EVERY === 0 && !(yield evaluated)) break;
    const share = evaluated / (COOLING * evaluations);
    const warmth = share < 1 ? hot * (COLD / hot) ** share : 0;
    // Cold, it goes on from the best there was.
    if (share >= 1 && now !== best && now.cost > best.cost) now = best;
    const made = stepFrom(search, now, chance);
    if (!made) continue;
    // What is worse by so much is taken once in e to the power of its share of the warmth: the die is cast first, so
    // that what costs too much need not be measured to its end.
    const worse = warmth > 0 ? -warmth * Math.log(1 - chance.share()) : 0;
    const next = attempt(made, now.cost + worse);
    if (next && next.cost <= now.cost + worse) now = next;
    if (now.cost < best.cost) best = now;
  }
  return best;
}
