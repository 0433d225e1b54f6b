import { legBears, type Pose, pelvisBears, SIDES } from '../body';
import type { Choices } from '../method/choices';
import type { Catalog, Phase, RungEntry } from '../repertoire';
import { liesOnBack } from '../vocabulary/bodies/position';

/** What is asked of the low back: the small gap under the waist kept, or closed. */
export type BackAsk = 'keep-gap' | 'press-back';

/** N·m about the hips under which the legs of a body on its back ask nothing of the low back. Our estimate. */
const LEG_LOAD = 5;

/** On its back with the pelvis down throughout; a spine that is meant to roll is another thing. */
export function bearsLowBack({ like, exercise, rung }: RungEntry): boolean {
  if (!liesOnBack(like) || exercise.directions.includes('articulation')) return false;
  return shapesOf(rung).every(pelvisBears);
}

/** The shapes of its repetitions, each once. */
export const shapesOf = ({ start, phases, poses }: RungEntry['rung']): Pose[] =>
  [...new Set([start, ...phases.map(({ pose }) => pose)])].flatMap((id) => poses[id] ?? []);

/** Whether the legs load the low back of a rung done on the back. */
export const loadsLowBack = (catalog: Catalog, entry: RungEntry): boolean =>
  bearsLowBack(entry) && (catalog.measures(entry).load.legLever ?? 0) >= LEG_LOAD;

/** Where the legs of a rung are: a foot down, both up, or first the one and then the other. */
function legsOf({ rung }: RungEntry): 'down' | 'up' | 'both' {
  const up = shapesOf(rung).map(bothUp);
  if (up.every(Boolean)) return 'up';
  return up.some(Boolean) ? 'both' : 'down';
}
/** A leg in the hands is up all the same. */
const bothUp = (pose: Pose): boolean => !SIDES.some((side) => legBears(pose, side));

/** Degrees to which a low back is drawn hollowed, and pressed down. */
const [HOLLOWED, PRESSED] = [-4, 6];

/** Whether a rung is drawn the other way than it would be told. */
export const drawnAgainst = ({ rung }: RungEntry, ask: BackAsk): boolean =>
  shapesOf(rung).some(({ lumbar = 0 }) => (ask === 'keep-gap' ? lumbar > PRESSED : lumbar < HOLLOWED));

/**
 * What a house asks of the low back while a phase is done; `null` where it asks for both in turn, since the rung goes
 * from one to the other in it. Without a phase, all of the rung.
 */
export function backAskIn(
  choice: Choices['lowBack'],
  entry: RungEntry,
  phase: Phase['id'] | undefined,
): BackAsk | null {
  if (choice === 'neutral') return 'keep-gap';
  if (choice === 'imprint') return 'press-back';
  const up = phase === undefined ? legsOf(entry) : bothUpIn(entry.rung, phase);
  if (up === 'both') return null;
  return up === 'up' ? 'press-back' : 'keep-gap';
}

/** A phase begins where the one before it ended; the first where the last one did. */
function bothUpIn({ phases, poses, start }: RungEntry['rung'], id: Phase['id']): 'up' | 'down' | 'both' {
  const at = phases.findIndex((phase) => phase.id === id);
  const from = poses[at > 0 ? (phases[at - 1]?.pose ?? start) : start];
  const to = poses[phases[at]?.pose ?? start];
  const up = [from, to].map((pose) => pose !== undefined && bothUp(pose));
  if (up[0] !== up[1]) return 'both';
  return up[0] ? 'up' : 'down';
}
