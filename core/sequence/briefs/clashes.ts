import { names, poolOf } from '../../mend';
import { DIRECTION_WORDS } from '../../method';
import { broughtBy, learntBy, limitsOf, metBefore, rungTitle } from '../../review';
import type { Studio } from '../searching/searchFor';
import { FEWEST } from '../searching/threads';
import type { Brief } from './briefSchema';

/** Least minutes of a class of its purpose that has a beginning, a middle and an end. */
const LEAST_MINUTES = { class: 10, drill: 2, lesson: 2, workshop: 10 } as const;

/** Demands of a brief that can't be met, each in a sentence; none where a class can be looked for. */
export function clashesOf(studio: Studio, brief: Brief): string[] {
  const { catalog } = studio;
  const { minutes, purpose = 'class', mustHave = [], locked = [], order, series: id, episode, begin, thread } = brief;
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
  const { homeHeat } = limitsOf(catalog.method, audience);
  const earlier =
    series && episode ? metBefore(series, episode - 1, studio.classOf) : learntBy(catalog, audience, homeHeat);
  const graded = broughtBy(catalog.method, { cautions: brief.cautions }, audience);
  const { fit, unfit } = poolOf(catalog, { ...brief, audience, graded, homeHeat, earlier });
  for (const wish of mustHave) {
    const named = catalog.rungs.filter((entry) => names(wish, entry));
    const wished = wish.rung === undefined ? wish.exercise : `${wish.exercise}/${wish.rung}`;
    if (named.length === 0) say(`“${wished}” has to be in it, and there is no such rung.`);
    // Of a ladder a rung that the room can take is meant, with what it requires; of a rung that one, however hard.
    else if (named.every((entry) => (wish.rung === undefined ? unfit.has(entry) : unfit.get(entry)?.forbids))) {
      const [first] = named as [(typeof named)[number]];
      say(`${rungTitle(first)} has to be in it, and can’t: ${unfit.get(first)?.why}`);
    }
  }
  if (thread !== undefined) {
    const own = catalog.ladder(thread);
    const taken = own.filter((entry) => entry.rung.branchOf === undefined && !unfit.has(entry));
    if (own.length === 0) say(`“${thread}” is to grow through it, and there is no such exercise.`);
    else if (taken.length < FEWEST) {
      const first = own.find((entry) => unfit.has(entry));
      const why = first ? ` ${rungTitle(first)}: ${unfit.get(first)?.why}` : '';
      say(
        `${(own[0] as (typeof own)[number]).exercise.name} can’t grow through it: ${audience?.name ?? 'this room'} can take ${taken.length} of its rungs, and ${FEWEST} are the least.${why}`,
      );
    }
  }
  if (brief.focus !== undefined && fit.length > 0) {
    const about = fit.some(({ exercise }) =>
      exercise.directions.includes(brief.focus as (typeof exercise.directions)[number]),
    );
    if (!about)
      say(`It is to be about ${DIRECTION_WORDS[brief.focus]}, and nothing that is left of the repertoire is.`);
  }
  if (fit.length === 0) say('Nothing is left of the repertoire that this room can do with what is at hand.');
  return clashes;
}
