import { names, poolOf } from '../mend';
import { broughtBy, limitsOf, metBefore, rungTitle } from '../review';
import type { Brief } from './briefSchema';
import type { Studio } from './searchFor';

/** Least minutes of a class of its purpose that has a beginning, a middle and an end. */
const LEAST_MINUTES = { class: 10, drill: 2, lesson: 2, workshop: 10 } as const;

/** Demands of a brief that can't be met, each in a sentence; none where a class can be looked for. */
export function clashesOf(studio: Studio, brief: Brief): string[] {
  const { catalog } = studio;
  const { minutes, purpose = 'class', mustHave = [], locked = [], order, series: id, episode, begin } = brief;
  const series = studio.seriesOf(id);
  const audienceId = brief.audience ?? series?.audience;
  const audience = studio.audienceOf(audienceId);
  const clashes: string[] = [];
  const say = (sentence: string) => clashes.push(sentence);
  if (minutes < LEAST_MINUTES[purpose]) {
    say(`${minutes} minutes are too short for a ${purpose}; expected ${LEAST_MINUTES[purpose]} or more.`);
  }
  if (audienceId !== undefined && !audience) say(`There is no audience “${audienceId}”; expected the id of one.`);
  if (id !== undefined && !series) say(`There is no series “${id}”; expected the id of one.`);
  if (begin !== undefined && !catalog.graph.has(begin)) {
    say(`There is no position “${begin}” to begin in; expected the id of one.`);
  }
  if (series && episode !== undefined && episode > series.episodes.length + 1) {
    say(
      `Episode ${episode} can’t come after ${series.episodes.length}; expected ${series.episodes.length + 1} or less.`,
    );
  }
  if (order === 'recap' && (!series || (episode ?? 1) < 2)) {
    say('Last time’s end first wants an episode before it; name the series, and an episode after its first.');
  }
  for (const { at, block } of locked) {
    if (!catalog.rung(block)) say(`Locked at ${at}: there is no rung “${block.exercise}/${block.rung}”.`);
    const foreign = (block.options ?? [])
      .map((option) => (typeof option === 'string' ? option : option.rung))
      .find((rung) => !catalog.rung({ exercise: block.exercise, rung }));
    if (foreign) say(`Locked at ${at}: “${foreign}” is offered, which is no rung of “${block.exercise}”.`);
  }
  if (new Set(locked.map(({ at }) => at)).size < locked.length) say('Two blocks are locked at one place.');
  const earlier = series && episode ? metBefore(series, episode - 1, studio.classOf) : new Set<string>();
  const { homeHeat } = limitsOf(catalog.method, audience);
  const graded = broughtBy(catalog.method, { cautions: brief.cautions }, audience);
  const { fit, unfit } = poolOf(catalog, { ...brief, audience, graded, homeHeat, earlier });
  for (const wish of mustHave) {
    const named = catalog.rungs.filter((entry) => names(wish, entry));
    const wished = wish.rung === undefined ? wish.exercise : `${wish.exercise}/${wish.rung}`;
    if (named.length === 0) say(`“${wished}” has to be in it, and there is no such rung.`);
    else if (named.every((entry) => unfit.get(entry)?.forbids)) {
      const [first] = named as [(typeof named)[number]];
      say(`${rungTitle(first)} has to be in it, and can’t: ${unfit.get(first)?.why}`);
    }
  }
  if (fit.length === 0) say('Nothing is left of the repertoire that this room can do with what is at hand.');
  return clashes;
}
