import type { BasePosition } from '../../body';
import type { TimedBlock, TimedClass } from '../../plan';
import type { Catalog, Prop } from '../../repertoire';
import { bearsOnHands, isKneeling } from '../../vocabulary/bodies/position';

/** Words of a way out that lead to a position, or only pass it; none lead to a plank. */
const LEADS: Readonly<Record<BasePosition, RegExp | null>> = {
  standing: /\b(?:stand up|to standing|come to stand|onto (?:your|both) feet)\b/i,
  prone: /\b(?:onto|on) (?:your|the) (?:front|belly|stomach)\b/i,
  supine: /\b(?:onto|on) (?:your|the) back\b|\blie (?:back|flat)\b/i,
  'side-lying': /\b(?:roll|turn|lie|come) (?:over )?(?:on)?to (?:your|the|one) (?:left |right )?side\b/i,
  seated:
    /\b(?:sit up|(?:push|press|come|roll|curl) up (?:to (?:sit|sitting)|(?:through|with) (?:the|your) hands)|come to sit|hips down, sit)\b/i,
  'four-point': /\b(?:onto|to|on) (?:your )?hands and knees\b/i,
  kneeling: /\bkneel(?: up| tall)?\b/i,
  plank: null,
};
const LEADING = Object.entries(LEADS) as Array<[BasePosition, RegExp | null]>;

/** Resting over the heels, which leads nobody from the front or the back to where they were. */
const OVER_HEELS = /\b(?:over|onto|on|to) (?:your|the) heels\b|\bsit back\b/i;
const isOverHeels = (position: string): boolean => bearsOnHands(position) || isKneeling(position);

/** The positions that words of a way out name. @example leadsTo('Roll to the side, then sit up.') // ['side-lying', 'seated'] */
export const leadsTo = (text: string): readonly BasePosition[] =>
  LEADING.flatMap(([position, words]) => (words?.test(text) ? [position] : []));

/** A prop is spoken of by its last word: “long roller”, “the roller”. */
const namesProp = (text: string, { name }: Prop): boolean => {
  const word = name.toLowerCase().split(' ').at(-1) ?? name;
  return new RegExp(String.raw`\b${word.replace(/s$/, '')}`, 'i').test(text);
};

/**
 * Whether words of a way out are true where they stand: they name no position but the one people are in and those on
 * the way to the next part, and no prop, for props are put away and kept by the way there.
 * @param next `undefined` at the end of the class, where people may leave as they like
 */
export function exitFits(
  { graph }: Catalog,
  text: string,
  part: TimedBlock,
  next: TimedClass['sequence'][number] | undefined,
): boolean {
  if (!next) return true;
  const passed = new Set([part.position, next.position, ...next.change.places].map((place) => baseOf(graph, place)));
  // Whoever sits up from the back, or lies down on it, may do so over the side.
  if (passed.has('supine') && passed.has('seated')) passed.add('side-lying');
  if (OVER_HEELS.test(text) && ![...passed].some(isOverHeels)) return false;
  return (
    leadsTo(text).every((position) => passed.has(position)) && !part.entry.props.some((prop) => namesProp(text, prop))
  );
}

const baseOf = (graph: Catalog['graph'], place: string): BasePosition =>
  place.startsWith('side-') ? 'side-lying' : graph.like(place);
