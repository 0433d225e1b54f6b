import { ruledOut } from '../../mend';
import type { Audience } from '../../plan';
import { type Catalog, laneOf, type RungEntry, rungKey } from '../../repertoire';
import { broughtBy, limitsOf, rungTitle } from '../../review';
import { type Learnt, needsOf, type PathStep, type Series, type WholeStudio, wayTo } from '../../series';
import { isOver } from '../../vocabulary/measure';
import type { SeriesBrief } from '../briefs/seriesBriefSchema';

interface Curriculum {
  readonly clashes: readonly string[];
  /** How many episodes would do, where those asked for are too few. */
  readonly enough?: number;
  readonly goals: readonly RungEntry[];
  readonly path: readonly PathStep[];
}

/** What has to be taught when, and what can't be. */
export function curriculumOf(studio: WholeStudio, brief: SeriesBrief, shell: Series): Curriculum {
  const { catalog } = studio;
  const clashes: string[] = [];
  const audience = studio.audienceOf(brief.audience);
  if (brief.audience !== undefined && !audience) {
    clashes.push(`There is no audience “${brief.audience}”; expected the id of one.`);
  }
  if (brief.follows !== undefined && !studio.seriesOf(brief.follows)) {
    clashes.push(`There is no series “${brief.follows}” to follow; expected the id of one.`);
  }
  const why = (entry: RungEntry) => neverFor(catalog, entry, audience);
  const whose = audience?.name ?? 'anyone';
  const goals = brief.goals.flatMap((goal): RungEntry[] => {
    const entry = catalog.rung(goal);
    if (!entry) {
      clashes.push(`There is no rung “${rungKey(goal)}” to lead to.`);
      return [];
    }
    const against = why(entry);
    if (against) clashes.push(`${rungTitle(entry)} can’t be a goal for ${whose}: ${against}`);
    return [entry];
  });
  if (clashes.length > 0) return { clashes, goals, path: [] };
  const { earliest, path, atMost } = wayTo(studio, shell, goals);
  const names = goals.map(rungTitle).join(', ');
  if (earliest === null) {
    return { clashes: [`${names} can never be: what has to come before comes back to itself.`], goals, path };
  }
  for (const { rung } of path) {
    const entry = catalog.rungByKey(rung);
    const against = entry && why(entry);
    if (against) clashes.push(`${names} can’t be reached by ${whose}: ${rungTitle(entry)} comes before. ${against}`);
  }
  if (clashes.length > 0) return { clashes, goals, path };
  if (earliest > brief.episodes) {
    const last = path.at(-1);
    const before = last ? catalog.rungByKey(last.rung) : undefined;
    return {
      clashes: [
        `${names}: ${brief.episodes} episodes are too few, ${earliest} would do${atMost ? ', perhaps fewer' : ''}; ${
          before
            ? `${rungTitle(before)} can first be taught in episode ${last?.episode}`
            : 'what they need takes as long'
        }, and has to be earned before.`,
      ],
      enough: earliest,
      goals,
      path,
    };
  }
  return { clashes: [], goals, path };
}

/** Why a rung is never done by an audience without something to mend; `null` where it can be. */
function neverFor(catalog: Catalog, entry: RungEntry, audience: Audience | undefined): string | null {
  const against = ruledOut(catalog, entry, {
    audience,
    graded: broughtBy(catalog.method, {}, audience),
    props: undefined,
  });
  if (against) return against;
  const [heat, { homeHeat }] = [catalog.heat(entry), limitsOf(catalog.method, audience)];
  const hasLower = catalog.ladder(entry.exercise.id).some((each) => laneOf(entry, each) === 'lower');
  return isOver(heat, homeHeat, 'heat') && !hasLower
    ? `Its heat, ${Math.round(heat)}, is above ${Math.round(homeHeat)}, and it has no lower rung to offer.`
    : null;
}

export interface Musts {
  /** What the goals need in this episode, and the goals themselves at the end. */
  readonly needed: readonly RungEntry[];
  /** Known from before, one practice short of being earned first. */
  readonly recaps: readonly RungEntry[];
}

interface Place {
  readonly learnt: Learnt;
  readonly path: readonly PathStep[];
  readonly goals: readonly RungEntry[];
  readonly episode: number;
  readonly last: number;
}

export function mustsFor(catalog: Catalog, { learnt, path, goals, episode, last }: Place): Musts {
  const needed = path.flatMap((step) => {
    const entry = catalog.rungByKey(step.rung);
    return entry && step.episode <= episode && !learnt.earned(entry.key) ? [entry] : [];
  });
  const open = episode >= last - 1 ? goals.filter((goal) => learnt.open(catalog, goal)) : [];
  // A goal is led to in its own class too.
  const ends = open.flatMap((goal) => [...needsOf(catalog, goal).slice(0, 1), goal]);
  const all = [...new Set([...needed, ...ends])];
  const recaps = learnt.keys
    .filter((key) => learnt.count(key).practised > 0)
    .flatMap((key) => catalog.rungByKey(key) ?? [])
    .filter((entry) => !all.includes(entry))
    .sort((a, b) => learnt.lacks(b.key) - learnt.lacks(a.key));
  return { needed: all, recaps };
}
