import { alike, mirrored } from '../../body';
import { answersByLess, namesStopSign, saidAsStop } from '../../vocabulary/words/stopSigns';
import type { Catalog, RungEntry } from '../catalog';
import { landmarkDoubts } from '../features/landmarks';
import type { LadderDoubt } from './ladderDoubts';
import { placeDoubts } from './placeDoubts';
import { poseDoubts } from './poseDoubts';
import { touchDoubts } from './touchDoubts';
import { wayDoubts } from './wayDoubts';
import { breathDoubts, countDoubts, neverChanges } from './wordDoubts';

/** What of one rung a director should look at. */
export function rungDoubts(catalog: Catalog, entry: RungEntry): LadderDoubt[] {
  const { rung } = entry;
  const doubt = (code: LadderDoubt['code'], message: string): LadderDoubt => ({ code, rungs: [rung.id], message });
  return [
    ...(movesBothSides(entry)
      ? [
          doubt(
            'SIDES_DOUBLED',
            `One repetition of “${rung.name}” moves both sides already; an alternating repetition moves one, so its time is counted twice.`,
          ),
        ]
      : []),
    ...(neverChanges(entry)
      ? [
          doubt(
            'SIDES_HALF',
            `“${rung.name}” works one side and never changes, though it is for both at once. Say that its sides take turns, or are done one after the other.`,
          ),
        ]
      : []),
    ...countDoubts(entry).map((message) => doubt('COUNT_OTHER', message)),
    ...breathDoubts(entry).map((message) => doubt('BREATH_OTHER', message)),
    ...(doesNothing(catalog, entry)
      ? [
          doubt(
            'NOTHING_DONE',
            `In “${rung.name}” nothing moves, nothing is held up against weight, and no breath is meant.`,
          ),
        ]
      : []),
    ...poseDoubts(entry, catalog.method.bodyHeightM).map((message) => doubt('POSE_UNSETTLED', message)),
    ...wayDoubts(entry, catalog.method.bodyHeightM).map((message) => doubt('WAY_BROKEN', message)),
    ...landmarkDoubts(entry, catalog.method.bodyHeightM).map((message) => doubt('MARK_MISSED', message)),
    ...placeDoubts(entry, catalog.method.bodyHeightM, catalog.ladder(entry.exercise.id).slice(0, entry.step)).map(
      (message) => doubt('PLACE_UNSEEN', message),
    ),
    ...touchDoubts(entry).map((message) => doubt('TOUCH_UNSEEN', message)),
    ...stopsAnswered(catalog, rung).map((message) => doubt('STOP_ANSWERED', message)),
  ];
}

/** Words and signs of a rung that answer a sign to stop by an easier version. */
function stopsAnswered({ method }: Catalog, { name, cues = [], gate }: RungEntry['rung']): string[] {
  const own = [...method.stopSigns, ...(gate?.stop ?? [])];
  const said = cues.flatMap(({ text, sign, alternatives = [] }) => [sign ? `${sign}: ${text}` : text, ...alternatives]);
  return [
    ...said
      .filter((text) => answersByLess(text, own))
      .map(
        (text) => `“${name}” answers a sign to stop by less: “${text}” Say it as a stop: “${saidAsStop(text, own)}”`,
      ),
    ...(gate?.stay ?? [])
      .filter((sign) => namesStopSign(sign, own))
      .map((sign) => `In “${name}”, “${sign}” is a sign to stop; expected it among the signs to stop.`),
  ];
}

/** An alternating rung whose phases arrive at a shape and at its mirror image. */
function movesBothSides({ sides, rung }: RungEntry): boolean {
  if (sides !== 'alternate') return false;
  const reached = [...new Set(rung.phases.map(({ pose }) => pose))].flatMap((id) => rung.poses[id] ?? []);
  return reached.some((pose) => {
    const other = mirrored(pose);
    return !alike(pose, other, DRAWN) && reached.some((each) => each !== pose && alike(each, other, DRAWN));
  });
}
/** Degrees within which two drawings are meant to be one. */
const DRAWN = 7;

/** N·m under which nothing is held up. */
const WEIGHTLESS = 1;

function doesNothing(catalog: Catalog, entry: RungEntry): boolean {
  const { phases, spring } = entry.rung;
  const breathes = phases.some(({ breath }) => breath === 'in') && phases.some(({ breath }) => breath === 'out');
  if (breathes || spring || phases.some(({ squeeze }) => squeeze)) return false;
  const { rep } = catalog.course(entry);
  if (rep.some(({ still }) => !still)) return false;
  const { legLever, curlLever, lumbarMoment } = catalog.measures(entry).load;
  const held = (legLever ?? 0) + (curlLever ?? 0) + (lumbarMoment ?? 0);
  return held < WEIGHTLESS && rep.every(({ posed }) => posed.pose.weights === undefined);
}
