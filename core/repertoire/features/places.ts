import {
  add,
  apart,
  armBears,
  between,
  cross,
  dot,
  legBears,
  type Point,
  type Pose,
  pelvisBears,
  type Settled,
  type Side,
  supportsOf,
} from '../../body';
import type { BasePosition } from '../../body/position';
import {
  isInPlank,
  isLying,
  isSeated,
  isStanding,
  liesOnBack,
  liesOnFront,
  liesOnSide,
  positionsWhere,
} from '../../vocabulary/bodies/position';
import type { RungEntry } from '../catalog';
import { carrierOf, propShape } from '../measuring/propShape';
import { gapBetween, pressedAcross } from './pressed';

// Phrases of place: where usual words of set-up and action put a part of the body, and how far off a drawn body has it.

/** A drawn body, of which a place is read. */
export interface PlaceRead {
  readonly pose: Pose;
  readonly body: Pick<Settled, 'angles' | 'bones' | 'ground' | 'floor'>;
  readonly heightM: number;
  readonly like: BasePosition;
  readonly entry: RungEntry;
}

export interface PlaceSaid {
  /** What the words say, for a sentence: “the hands beside the body”. */
  readonly what: string;
  readonly words: RegExp;
  /** Words of the same cue under which it means something else. */
  readonly unless?: RegExp;
  /** The positions it is said of; everywhere where left out. */
  readonly like?: readonly BasePosition[];
  /** Metres by which a side is off the place; 0 where it is there. */
  readonly off: (read: PlaceRead, side: Side) => number;
}

const LYING = positionsWhere(isLying);
const other = (side: Side): Side => (side === 'left' ? 'right' : 'left');
const over = (metres: number, allowed: number): number => Math.max(0, metres - allowed);

/** Metres of a point above the floor. */
const high = ({ body }: PlaceRead, point: Point): number => dot(point, body.ground.up) - body.floor;
/** Metres between two points along the floor. */
function level({ body: { ground } }: PlaceRead, a: Point, b: Point): number {
  const way = add(a, b, -1);
  return Math.hypot(dot(way, ground.along), dot(way, cross(ground.up, ground.along)));
}
/** Metres from a point to the line between two others. */
function toLine(point: Point, a: Point, b: Point): number {
  const line = add(b, a, -1);
  const share = Math.max(0, Math.min(1, dot(add(point, a, -1), line) / dot(line, line)));
  return apart(point, add(a, line, share));
}
/** The middle of a hand. */
const hand = ({ body: { bones } }: PlaceRead, side: Side): Point =>
  between(bones.arm[side].end, bones.arm[side].tip, 0.5);
const leg = ({ body: { bones } }: PlaceRead, side: Side) => bones.leg[side];
/** The least of a measure over both legs: words rarely say whose thigh a hand is on. */
const ofEitherLeg = (_read: PlaceRead, measure: (side: Side) => number): number =>
  Math.min(measure('left'), measure('right'));

/** Flesh, a sleeve and the thickness of a hand. */
const TOUCH = 0.13;

const handTo =
  (part: 'thigh' | 'shin' | 'ankle', allowed = TOUCH) =>
  (read: PlaceRead, side: Side): number =>
    ofEitherLeg(read, (own) => {
      const { root, middle, end } = leg(read, own);
      const at = hand(read, side);
      if (part === 'ankle') return over(apart(at, end), allowed);
      return over(part === 'thigh' ? toLine(at, root, middle) : toLine(at, middle, end), allowed);
    });

/** A hand lying beside a body that lies, or hanging by the thigh of one that is upright. */
function beside(read: PlaceRead, side: Side): number {
  const at = hand(read, side);
  if (isLying(read.like)) return over(high(read, at), 0.07);
  const { root, middle } = leg(read, side);
  return over(toLine(at, root, middle), 0.22);
}

/** How far a knee is off the straight line of its leg. */
const bentKnee = (read: PlaceRead, side: Side): number => {
  const { root, middle, end } = leg(read, side);
  return over(toLine(middle, root, end), 0.1);
};

/** How far joints between two ends stand off the straight line that joins them. */
const offLine = (from: Point, to: Point, ...joints: readonly Point[]): number =>
  Math.max(...joints.map((joint) => toLine(joint, from, to)));

/** 0 where one of these parts leans on the wall, or there is none; else what is seen to be off. */
function onWall({ pose, entry: { rung, props } }: PlaceRead, parts: readonly string[]): number {
  if (!props.some((prop) => propShape(prop) === 'wall')) return 0;
  const leans = [...supportsOf(pose)].some((support) => {
    const carrier = carrierOf(rung, support, props);
    return parts.includes(support) && carrier !== undefined && propShape(carrier) === 'wall';
  });
  return leans ? 0 : 0.1;
}

export const PLACES: readonly PlaceSaid[] = [
  {
    what: 'the hands beside the body',
    words:
      /\b(?:arms?|hands?|palms?)\b(?: (?:long|down|rests?|resting|flat|lie|lying|straight|press|pressing|pressed))* (?:beside|by|along|alongside|at) (?:you|your sides?|the sides?|(?:your|the) (?:body|hips?|trunk|seat|ribs|waist))\b/i,
    unless: /\b(?:lift|float|hover|raise|reach)\w*\b/i,
    off: beside,
  },
  {
    what: 'the arms long on the floor',
    words: /\barms (?:long|pressing|pressed|press|heavy)\b(?! (?:beside|by|along|at)\b)/i,
    unless:
      /\barms?\b[^.;]*\b(?:up|ceiling|overhead|reach\w*|float\w*|hover\w*|lift\w*|wide|ears?|forward|front|behind)\b/i,
    like: positionsWhere(liesOnBack),
    off: beside,
  },
  {
    what: 'the hands by the thighs',
    words: /\bhands? by (?:the|your) thighs?\b/i,
    off: handTo('thigh', 0.2),
  },
  {
    what: 'the hands on the shins',
    words: /\b(?:hands?|hold\w*)\b[^.;]{0,24}\b(?:on|to|round|around|the) (?:the |your |one |near |own )*shins?\b/i,
    off: handTo('shin'),
  },
  {
    what: 'the hands behind the thighs',
    words: /\bhands? (?:behind|on|under|down|round) (?:the |your |one )*thighs?\b/i,
    off: handTo('thigh', 0.15),
  },
  {
    what: 'the hands at the ankles',
    unless: /\bline\b/i,
    words:
      /\b(?:hold\w*|hands? (?:on|to|round|at|reach\w* (?:to|for))|grip\w*|take) (?:the |your |both |one )*(?:ankles?|heels?)\b/i,
    off: handTo('ankle', 0.16),
  },
  {
    what: 'the hands behind the head',
    words: /\bhands? (?:is |are |stays? |light |wide )*behind (?:the |your )?head\b/i,
    off: (read, side) => over(apart(hand(read, side), read.body.bones.head), 0.18),
  },
  {
    what: 'the hands under the forehead',
    words: /\bhands? under (?:the |your )?forehead\b|\bforehead on (?:the |your |both )?hands\b/i,
    off: (read, side) => over(apart(hand(read, side), read.body.bones.head), 0.18),
  },
  {
    what: 'the hands on the low back',
    words: /\bhands? on (?:the |your )?low(?:er)? back\b/i,
    off: (read, side) => {
      const { lumbar, pelvis } = read.body.bones;
      const at = hand(read, side);
      return Math.max(over(apart(at, lumbar), 0.19), over(dot(add(at, lumbar, -1), pelvis.front), 0.03));
    },
  },
  {
    what: 'the heels together',
    words:
      /\b(?:heels|feet|ankles|big toes|legs) (?:stay |are |kept |hover |lift |long |pressed )*(?:together|touching|as one)\b/i,
    unless: /\bapart\b/i,
    // Straight down from the hip joints is together.
    off: (read) => over(apart(leg(read, 'left').end, leg(read, 'right').end), 0.17),
  },
  {
    what: 'the feet down',
    words: /\b(?:feet|foot) (?:is |are |stays? )*(?:down|flat|planted|on the (?:floor|mat))\b/i,
    unless: /\b(?:from|off|lift\w*|float\w*|put|one)\b/i,
    off: (read, side) => over(Math.min(high(read, leg(read, side).end), high(read, leg(read, side).tip)), 0.09),
  },
  {
    what: 'the knees over the hips',
    unless: /\bone leg\b/i,
    words: /\bknees? (?:is |are |float\w* |bent )*(?:over|above) (?:the |its |their |your )?hips?\b/i,
    like: positionsWhere(liesOnBack),
    off: (read, side) => {
      const { root, middle } = leg(read, side);
      return Math.max(over(level(read, middle, root), 0.15), over(high(read, root) + 0.2 - high(read, middle), 0));
    },
  },
  {
    what: 'the shins level',
    words: /\bshins? (?:is |are |stays? |already )*level\b/i,
    off: (read, side) => over(Math.abs(high(read, leg(read, side).middle) - high(read, leg(read, side).end)), 0.08),
  },
  {
    what: 'the elbows under the shoulders',
    words: /\belbows? (?:is |are |stays? )*(?:right |just )?under (?:the |its |your )?shoulders?\b/i,
    off: (read, side) => over(level(read, read.body.bones.arm[side].middle, read.body.bones.arm[side].root), 0.1),
  },
  {
    what: 'the hands under the shoulders',
    words:
      /\bhands? under (?:the |your )?shoulders?\b|\bshoulders? (?:is |are |stays? )?over (?:the |your )?(?:hands?|wrists?)\b/i,
    off: (read, side) => {
      if (!armBears(read.pose, side)) return 0;
      return over(level(read, read.body.bones.arm[side].end, read.body.bones.arm[side].root), 0.1);
    },
  },
  {
    what: 'the hips over the knees',
    words: /\b(?:knees? under (?:the |your )?hips?|hips? over (?:the |your )?knees?)\b/i,
    off: (read, side) => over(level(read, leg(read, side).middle, leg(read, side).root), 0.12),
  },
  {
    what: 'the arms to the ceiling',
    words: /\barms? (?:straight |long |reach )?(?:up to the ceiling|to the ceiling|straight up)\b/i,
    off: (read, side) => {
      const { root, end } = read.body.bones.arm[side];
      return Math.max(over(level(read, end, root), 0.2), over(high(read, root) + 0.35 - high(read, end), 0));
    },
  },
  {
    what: 'the arms overhead',
    words:
      /\barms? (?:long |straight |go |reach |travel |stay )*(?:overhead|over (?:the|your) head|behind(?: you)?|back)\b/i,
    unless: /\bhands?\b|\bbend\b/i,
    like: positionsWhere((each) => liesOnBack(each) || isStanding(each) || isSeated(each)),
    off: (read, side) => {
      const { root, end } = read.body.bones.arm[side];
      const beyond = 0.3 - dot(add(end, root, -1), read.body.bones.chest.up);
      // Laid back on the floor, a straight arm lies on it.
      const through = liesOnBack(read.like) ? -high(read, end) : 0;
      return Math.max(over(beyond, 0), over(through, 0.02));
    },
  },
  {
    what: 'the legs to the ceiling',
    words: /\blegs? (?:straight |long )?(?:up )?to the ceiling\b/i,
    unless: /\bone\b[^.;]*\blower/i,
    off: (read, side) => {
      const { root, end } = leg(read, side);
      return Math.max(over(level(read, end, root), 0.25), over(high(read, root) + 0.5 - high(read, end), 0));
    },
  },
  {
    what: 'the legs long',
    words: /\blegs? (?:stays? |are |is )?(?:long|straight)\b/i,
    unless: /\b(?:lengthen|stretch|other|arms?)\b/i,
    off: bentKnee,
  },
  {
    what: 'the legs level',
    words: /\blegs? (?:is |are |stays? )?level\b/i,
    off: (read, side) => over(Math.abs(high(read, leg(read, side).end) - high(read, leg(read, side).root)), 0.15),
  },
  {
    what: 'the legs wide',
    words: /\blegs? (?:long and |straight and )?(?:wide|open)\b/i,
    off: (read) => over(0.4 - apart(leg(read, 'left').end, leg(read, 'right').end), 0),
  },
  {
    what: 'the feet hip-wide',
    words: /\b(?:feet|legs|heels|stand|plank[^.;]*) (?:are |planted )?hip[- ]wide\b/i,
    off: (read) => {
      const way = add(leg(read, 'left').end, leg(read, 'right').end, -1);
      const wide = Math.abs(dot(way, read.body.bones.pelvis.right));
      return Math.max(over(0.12 - wide, 0), over(wide, 0.45));
    },
  },
  {
    what: 'the heels in line with the seat',
    words: /\bheels? in line with (?:the |your )?(?:seat|hips|sit bones)\b/i,
    off: (read, side) =>
      over(Math.abs(dot(add(leg(read, side).end, leg(read, side).root, -1), read.body.bones.pelvis.front)), 0.1),
  },
  {
    what: 'the head down',
    words: /\b(?:head|forehead|nose|temple) (?:is |stays? |rests? |lies? )*(?:down|on the (?:mat|floor))\b/i,
    unless: /\bup\b/i,
    like: LYING,
    off: (read) => over(high(read, read.body.bones.head), 0.17),
  },
  {
    what: 'one line from knees to shoulders',
    words: /\bline,? (?:from )?(?:the )?(?:knees? to (?:the )?shoulders?|shoulders? to (?:the )?knees?)\b/i,
    off: (read, side) => {
      const { bones } = read.body;
      return over(offLine(leg(read, side).middle, bones.shoulder, bones.hip), 0.09);
    },
  },
  {
    what: 'one line from ear to heel',
    words: /\b(?:line|long),? (?:from )?(?:the )?(?:ears?|head|crown) to (?:the )?heels?\b/i,
    like: positionsWhere((each) => isLying(each) || isInPlank(each)),
    off: (read, side) => {
      const { bones } = read.body;
      const straight = offLine(bones.head, leg(read, side).end, bones.hip, bones.shoulder);
      // On a side the head is the higher end.
      const falls = pelvisBears(read.pose) ? 0 : high(read, bones.hip) - high(read, bones.shoulder);
      return Math.max(over(straight, 0.12), over(falls, 0.08));
    },
  },
  {
    what: 'the legs crossed',
    words: /\blegs? crossed\b|\bcross(?:ed)?[- ]legged\b|\bcross (?:the |your )?legs\b/i,
    like: positionsWhere(isSeated),
    off: (read) => {
      const way = add(leg(read, 'right').end, leg(read, 'left').end, -1);
      return over(dot(way, read.body.bones.pelvis.right), 0.05);
    },
  },
  {
    what: 'the ball between the knees',
    words: /\bball between (?:the |your )?knees\b/i,
    off: ({ body, heightM, entry: { props } }) => {
      const ball = props.find((prop) => propShape(prop) === 'ball');
      return ball ? over(gapBetween(body.bones, ['knee.left', 'knee.right'], heightM), pressedAcross(ball) + 0.05) : 0;
    },
  },
  {
    what: 'the weight on the shoulder blades',
    words: /\b(?:rock|roll|peel)\w* (?:up |back |over )*to the shoulder blades\b/i,
    off: (read) => over(0.2 - high(read, read.body.bones.hip), 0),
  },
  {
    what: 'a hand past the other foot',
    words: /\b(?:reach|stretch)\w* past (?:one |the |your )?(?:other |opposite |far |little )?(?:foot|toe|ankle)\b/i,
    off: (read, side) => over(apart(hand(read, side), leg(read, other(side)).end), 0.3),
  },
  {
    what: 'the thighs down',
    words: /\bthighs? (?:is |are |stays? )?(?:down|heavy|on the (?:mat|floor))\b/i,
    like: positionsWhere(liesOnFront),
    off: (read, side) => over(high(read, leg(read, side).middle), 0.12),
  },
  {
    what: 'a foot in front of the thigh',
    words:
      /\bfoot (?:planted |placed |stands? )?in front of (?:the |your )?(?:lower |bottom |other )?(?:thigh|knee|leg)\b/i,
    like: positionsWhere(liesOnSide),
    off: (read, side) => {
      if (!legBears(read.pose, side)) return 1;
      const { root, middle, end } = leg(read, other(side));
      const foot = leg(read, side).end;
      const ahead = dot(add(foot, between(root, middle, 0.6), -1), read.body.bones.pelvis.front);
      return Math.max(over(0.05 - ahead, 0), over(toLine(foot, root, end), 0.45));
    },
  },
  {
    what: 'the top foot in front of the other',
    words: /\btop foot in front of (?:the )?(?:other|bottom|lower)(?: foot)?(?=[.,;]|$)/i,
    like: positionsWhere(liesOnSide),
    off: (read) => {
      const ahead = dot(add(leg(read, 'right').end, leg(read, 'left').end, -1), read.body.bones.pelvis.front);
      return over(0.08 - ahead, 0);
    },
  },
  {
    what: 'the pelvis tipped back',
    words: /\b(?:tip|roll|rock)s? back (?:off|behind|from) (?:the |your )?(?:seat|sit(?:ting)?) bones\b/i,
    like: positionsWhere(isSeated),
    // A pelvis that leans back by less than the width of a hand at its top has not left its bones.
    off: ({ body: { bones, ground } }) => over(0.08 + dot(add(bones.waist, bones.hip, -1), ground.along), 0),
  },
  {
    what: 'the back on the wall',
    words: /\b(?:back|shoulder blades) (?:is |are |stays? |flat )*(?:on|against) the wall\b/i,
    unless: /\b(?:off|hands?)\b/i,
    off: (read) => onWall(read, ['pelvis', 'ribs', 'shoulders']),
  },
  {
    what: 'the hips on the wall',
    words: /\b(?:hips|seat|tail) (?:is |are |stays? )*(?:on|against) (?:it|the wall)\b/i,
    unless: /\boff\b/i,
    off: (read) => onWall(read, ['pelvis']),
  },
  {
    what: 'the arms hanging from the shoulders',
    words: /\bhang(?:s|ing)?\b/i,
    like: positionsWhere(isStanding),
    off: (read, side) => {
      if (armBears(read.pose, side)) return 0;
      const { root, end } = read.body.bones.arm[side];
      return over(level(read, end, root), 0.12);
    },
  },
  {
    what: 'the ball under the knee',
    words: /\bball under (?:the |your )?(?:top |bottom |near )?knee\b/i,
    off: ({ entry: { rung, props } }) => {
      const carried = ['knee.left', 'knee.right'].some((part) => {
        const carrier = carrierOf(rung, part, props);
        return carrier !== undefined && propShape(carrier) === 'ball';
      });
      return carried ? 0 : 0.1;
    },
  },
];
