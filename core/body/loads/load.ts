import {
  bearsOnHands,
  isSeated,
  isUpright,
  liesOnBack,
  liesOnFront,
  liesOnSide,
} from '../../vocabulary/bodies/position';
import { handsHelp } from '../poses/holds';
import { headBears, ribsBear, SIDES } from '../poses/pose';
import { add, apart, dot, type Point } from '../poses/skeleton';
import type { Contacts } from '../settling/contacts';
import { isPropped } from '../settling/ground';
import type { Posed } from '../settling/posed';
import { raisedLegs } from './levers';
import {
  GRAVITY,
  join,
  type Lump,
  legOf,
  lump,
  momentOf,
  pelvisOf,
  pullsForward,
  putHead,
  type ReferenceBody,
  trunkOf,
  withHeadAndArms,
} from './lumps';

/**
 * A static planar estimate in N·m, for comparing options: no clinical measure. `null` where the idea does not
 * apply: a lying body has levers about its supported trunk, a propped one has a moment between its supports.
 */
export interface Load {
  readonly legLever: number | null;
  readonly curlLever: number | null;
  readonly lumbarMoment: number | null;
  /** Of what gravity asks of the low back, what the belly wall holds: the back would sag; N·m. */
  readonly bellyMoment: number;
  /** What back and seat hold: the body would fold or drop; N·m. */
  readonly backMoment: number;
}

/** Which side of the body holds. */
export type HoldingSide = 'belly' | 'back';

/** The side that holds more; `null` where neither has anything to hold. */
export const holdingSide = ({ bellyMoment, backMoment }: Load): HoldingSide | null =>
  bellyMoment === 0 && backMoment === 0 ? null : bellyMoment >= backMoment ? 'belly' : 'back';

/** The load of one pose on the reference body it was posed for (docs/body.md has the derivation and check values). */
export function loadOf(posed: Posed, body: ReferenceBody): Load {
  const { pose, like, angles, bones, ground } = posed;
  const trunk = trunkOf(bones, body);
  if (isPropped(pose, like)) {
    const lower = pelvisOf(bones, pose, body);
    for (const side of SIDES) join(lower, legOf(bones, pose, side, body));
    // Arms that hang from resting ribs, and a head that rests, press on the floor and not on the bridge.
    const bridging = ribsBear(pose) ? trunk : withHeadAndArms(trunk, posed, body);
    const { up } = ground;
    const { upper, lower: below } = bearings(posed);
    // Swung up over one end, the other hangs on the low back as it is in the room.
    if (!upper || !below) {
      const hanging = below ? bridging : lower;
      return held(momentOf(hanging, bones.lumbar, up), hangingSide(hanging, posed, below !== null));
    }
    const moment = proppedMoment(bridging, lower, posed, upper, below);
    // Only the part of gravity across the trunk line bends it; the part along it is carried end to end. What bears never
    // asks more of the low back than all that hangs on it would.
    const most = momentOf(bridging, bones.lumbar, up) + momentOf(lower, bones.lumbar, up);
    const across = moment * Math.cos((angles.pitch * Math.PI) / 180);
    return held(Math.min(Math.abs(across), most), sagging(posed, across < 0));
  }
  const legLever = raisedLegs(posed, body);
  if (isUpright(like) && !isSeated(like)) {
    const upper = withHeadAndArms(trunk, posed, body);
    const lumbarMoment = momentOf(upper, bones.lumbar, ground.up) * handsHelp(posed);
    return { ...held(lumbarMoment, tippingSide(upper, posed)), legLever };
  }
  const curlLever = curlLeverOf(trunk, posed, body);
  return { legLever, curlLever, lumbarMoment: null, ...lyingMoments(posed, trunk, legLever, curlLever, body) };
}

/**
 * What a body is held up between. A foot that touches far overhead, legs rolled over, rests there with little weight: it
 * is no second bearing to hang the spine from.
 */
function bearings(posed: Posed): Contacts {
  const { contacts } = posed.ground;
  return feetOverhead(posed) ? { upper: contacts.upper, lower: null } : contacts;
}

/** Whether the legs are rolled over and a foot touches down beyond the shoulders. */
export function feetOverhead({ pose, like, ground: { contacts, along } }: Posed): boolean {
  const { upper, lower } = contacts;
  return (
    isPropped(pose, like) && liesOnBack(like) && !!upper && !!lower && dot(add(lower, upper, -1), along) > -OVERHEAD
  );
}

/** Metres short of the shoulders from which a foot is overhead. */
const OVERHEAD = 0.1;

/** A moment at the low back alone, on the side that holds it. */
const held = (lumbarMoment: number, side: HoldingSide | null): Load => ({
  legLever: null,
  curlLever: null,
  lumbarMoment,
  bellyMoment: side === 'belly' ? lumbarMoment : 0,
  backMoment: side === 'back' ? lumbarMoment : 0,
});

/**
 * Held between two contacts, the front down on hands or forearms, the back would sag and the belly wall holds, a leg
 * reached back or not; with the back down a body sags in the middle or is pushed up there, and back and seat hold the
 * sag. On a side it is the waist, and neither.
 */
function sagging({ like }: Posed, sags: boolean): HoldingSide | null {
  if (liesOnSide(like)) return null;
  if (bearsOnHands(like)) return 'belly';
  return liesOnBack(like) === sags ? 'back' : 'belly';
}

/** What hangs from one end: towards the front of the pelvis it folds the body, and the back holds; else the belly. */
function hangingSide(sum: Lump, { bones, ground, like }: Posed, upper: boolean): HoldingSide | null {
  if (liesOnSide(like)) return null;
  return pullsForward(sum, bones.lumbar, ground.up) === upper ? 'back' : 'belly';
}

/** Upright, a trunk tipped forward hangs on the back and one tipped back on the belly. */
const tippingSide = (sum: Lump, { bones, ground }: Posed): HoldingSide | null =>
  pullsForward(sum, bones.lumbar, ground.up) ? 'back' : 'belly';

/** Legs and a chest held up lying or sitting: by the belly on the back, by the back on the front, on a side by the waist. */
function lyingMoments(
  posed: Posed,
  trunk: Lump,
  legLever: number,
  curlLever: number,
  body: ReferenceBody,
): Pick<Load, 'bellyMoment' | 'backMoment'> {
  const { like, pose } = posed;
  if (liesOnSide(like)) return { bellyMoment: 0, backMoment: 0 };
  const all = legLever + curlLever;
  if (liesOnFront(like)) return { bellyMoment: 0, backMoment: all };
  if (liesOnBack(like) || ribsBear(pose)) return { bellyMoment: all, backMoment: 0 };
  const back = tippingSide(withHeadAndArms(trunk, posed, body), posed) === 'back';
  return { bellyMoment: legLever + (back ? 0 : curlLever), backMoment: back ? curlLever : 0 };
}

/** Head, chest and arms held up about the lowest part of the trunk that rests; 0 when the head rests too. */
function curlLeverOf(trunk: Lump, posed: Posed, body: ReferenceBody): number {
  const { pose, bones, ground } = posed;
  if (!ribsBear(pose)) {
    return momentOf(withHeadAndArms(trunk, posed, body), bones.lumbar, ground.up) * handsHelp(posed);
  }
  return headBears(pose) ? 0 : momentOf(putHead(lump(), bones, pose, body), bones.shoulder, ground.up);
}

/** Supports nearer than this, in metres, share the weight evenly: statics no longer tells them apart. */
const SAME_PLACE = 0.05;

/**
 * Moment at the lumbar point of a level body held at an upper and a lower contact, distances taken along the line
 * from hip to shoulder: what `pitch` tilts, and what a propped body bends across. Below 0 it sags between its contacts.
 */
function proppedMoment(upper: Lump, lower: Lump, { bones }: Posed, above: Point, below: Point): number {
  const line = add(bones.shoulder, bones.hip, -1);
  const length = apart(bones.shoulder, bones.hip);
  const placeOf = (point: Point) => dot(point, line) / length;
  const momentAbout = (sum: Lump, place: number) => GRAVITY * (dot(sum, line) / length - sum.kg * place);
  const waist = placeOf(bones.lumbar);
  const [upperAt, lowerAt] = [placeOf(above), placeOf(below)];
  const span = upperAt - lowerAt;
  const reaction =
    Math.abs(span) < SAME_PLACE
      ? ((upper.kg + lower.kg) * GRAVITY) / 2
      : (momentAbout(upper, lowerAt) + momentAbout(lower, lowerAt)) / span;
  return momentAbout(upper, waist) - reaction * (upperAt - waist);
}

const peak = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.max(a, b));

/** The larger of two loads, idea by idea. */
export const peakLoad = (a: Load, b: Load): Load => ({
  legLever: peak(a.legLever, b.legLever),
  curlLever: peak(a.curlLever, b.curlLever),
  lumbarMoment: peak(a.lumbarMoment, b.lumbarMoment),
  bellyMoment: Math.max(a.bellyMoment, b.bellyMoment),
  backMoment: Math.max(a.backMoment, b.backMoment),
});

export const NO_LOAD: Load = { legLever: null, curlLever: null, lumbarMoment: null, bellyMoment: 0, backMoment: 0 };
