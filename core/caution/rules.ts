import type { BasePosition } from '../body';
import type { Method } from '../method/method';
import type { Already } from '../repertoire';
import type { Feature } from '../vocabulary/bodies/features';
import {
  bearsOnHands,
  isInPlank,
  isOnAllFours,
  isSeated,
  isTall,
  isUpright,
  liesOnBack,
  liesOnFront,
  liesOnSide,
  positionsWhere,
} from '../vocabulary/bodies/position';
import type { Condition, Grade } from '../vocabulary/words/condition';
import type { CautionChange } from './changeSchema';

/** From mild to grave. `clear-first`: a professional decides before it is done at all. */
export const VERDICTS = ['fine', 'adapt', 'swap', 'clear-first'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** One line of the table: a condition, a computed feature and the limit above which it speaks. */
export interface CautionRule {
  readonly condition: Condition;
  readonly feature: Feature;
  /** In the feature's unit; the rule fires above it. */
  readonly over: number;
  readonly verdict: Exclude<Verdict, 'fine'>;
  /** How to adapt, or what to take instead. */
  readonly how: string;
  readonly why: string;
  /** Where the advice is true; everywhere when unsaid. */
  readonly positions?: readonly BasePosition[] | undefined;
  /** Whether a leg bears throughout where the advice is true; either when unsaid. */
  readonly footDown?: boolean | undefined;
  /** Of which grade the people must be; of any when unsaid. */
  readonly grade?: Grade | undefined;
  /** What to say instead to those who do already what the advice asks. */
  readonly already?: ReadonlyArray<readonly [Already, string]> | undefined;
  /** A feature whose graver rule of the same condition says it all. */
  readonly unless?: Feature | undefined;
  /** Why the house has changed the rule, where it has. */
  readonly reason?: string | undefined;
}

type Told = Pick<CautionRule, 'positions' | 'footDown' | 'grade' | 'already' | 'unless'>;
type Line = readonly [Feature, number, CautionRule['verdict'], string, string, Told?];

/** Where the front is down and hands or forearms bear. */
const ON_HANDS: Told = { positions: positionsWhere(bearsOnHands) };
const ON_BACK: Told = { positions: positionsWhere((each) => liesOnBack(each) || isSeated(each)) };
const ON_FRONT: Told = { positions: positionsWhere(liesOnFront) };
const ON_SIDE: Told = { positions: positionsWhere(liesOnSide) };
const UPRIGHT: Told = { positions: positionsWhere(isTall) };
const IN_PLANK: Told = { positions: positionsWhere(isInPlank) };
const ON_ALL_FOURS: Told = { positions: positionsWhere(isOnAllFours) };

/** Where people fold from the hips, and where it is the hips that go up. */
const FOLDING: Told = { positions: positionsWhere(isUpright) };
const HIPS_UP: Told = { positions: positionsWhere((each) => !isUpright(each)) };

/** The head below the heart: with the hips lifted, or folded over. */
const headLow = (
  over: number,
  verdict: CautionRule['verdict'],
  why: string,
  lifted: string,
  folded: string,
): readonly Line[] => [
  ['inversion', over, verdict, lifted, why, HIPS_UP],
  ['inversion', over, verdict, folded, why, FOLDING],
];

/** One leg of two that lower is told by the rule on both. */
const ONE_LEG: Told = { ...ON_BACK, unless: 'doubleLegLever' };

/** Degrees a second from which a turn of the trunk is fast. Our estimate (docs/cautions.md). */
const FAST = 45;

/**
 * The usual cautions of group movement teaching as data. Limits are the house's careful starting values on the
 * product's own scales (degrees, N·m, seconds); they sort options and replace nobody's judgement.
 */
const LINES: Readonly<Record<Condition, readonly Line[]>> = {
  'neck-pain': [
    [
      'headLifted',
      0,
      'adapt',
      'Head down, or wholly in the hands; a few at a time.',
      'The neck carries the head.',
      { ...ON_BACK, already: [['headHeld', 'A few at a time; lay the head down between.']] },
    ],
    ['headLifted', 0, 'adapt', 'Forehead on the hands; lift the legs alone.', 'The neck carries the head.', ON_FRONT],
    ['headLifted', 0, 'adapt', 'Head on the arm or a cushion.', 'The neck carries the head.', ON_SIDE],
    ['headLifted', 45, 'swap', 'Take the version with the head down.', 'The neck tires before the belly does.'],
    ['neckWeight', 25, 'adapt', 'Roll up only to the bottom of the shoulder blades.', 'Weight runs towards the neck.'],
    ['neckWeight', 50, 'clear-first', 'Only after a professional has agreed.', 'Body weight stands on the neck.'],
    ['rolling', 0, 'swap', 'Keep the spine’s arc without rolling.', 'Rolling passes over the neck.'],
  ],
  'neck-injury': [
    ['headLifted', 0, 'swap', 'Head down: the same work without the lift.', 'A curl loads what was hurt.', ON_BACK],
    ['headLifted', 0, 'adapt', 'Forehead on the hands; lift the legs alone.', 'The neck carries the head.', ON_FRONT],
    ['headLifted', 0, 'adapt', 'Head on the arm or a cushion.', 'The neck carries the head.', ON_SIDE],
    ['headSweep', 70, 'adapt', 'Half as far, slowly, the eyes leading.', 'The head travels far.'],
    ['fastTwist', FAST, 'adapt', 'Half as fast, the head still.', 'A fast turn jolts the neck.'],
    ['neckWeight', 25, 'swap', 'Roll up only to the bottom of the shoulder blades.', 'Weight runs towards the neck.'],
    ['neckWeight', 40, 'clear-first', 'Only after a professional has agreed.', 'Body weight stands on the neck.'],
    ['rolling', 0, 'clear-first', 'Only after a professional has agreed.', 'Rolling passes over the neck.'],
  ],
  'low-back-pain': [
    [
      'doubleLegLever',
      22,
      'swap',
      'One leg at a time, or knees bent.',
      'Two legs pull the back off its place.',
      { already: [['kneesBent', 'One leg at a time.']] },
    ],
    [
      'legLever',
      30,
      'adapt',
      'Bend the knee or lower less far.',
      'A long lever pulls on the low back.',
      { ...ONE_LEG, already: [['kneesBent', 'Lower less far.']] },
    ],
    ['fastTwist', FAST, 'adapt', 'Half as fast, and stop before the end of the turn.', 'A fast turn can’t be stopped.'],
    [
      'legLever',
      30,
      'adapt',
      'Lift the leg less high, or bend the knee.',
      'A long lever pulls on the low back.',
      ON_FRONT,
    ],
    [
      'legLever',
      30,
      'adapt',
      'Leave the toes on the floor and slide the leg.',
      'A long lever pulls on the low back.',
      ON_HANDS,
    ],
    ['loadedFlexion', 45, 'adapt', 'Half as far, hands helping.', 'Deep bending under load presses on the discs.'],
    [
      'extension',
      30,
      'adapt',
      'Half as high, length before height.',
      'Deep bending back narrows the joints of the back.',
    ],
    ['rotation', 30, 'adapt', 'Turn half as far, from the ribs.', 'End of the turn under load.'],
    [
      'bellyMoment',
      75,
      'adapt',
      'Knees down, or hands on something higher.',
      'The belly wall keeps the back from sagging.',
      {
        ...ON_HANDS,
        already: [
          ['kneesDown', 'Hands on something higher.'],
          ['handsHigh', 'Knees down, or hands higher still.'],
        ],
      },
    ],
    [
      'backMoment',
      75,
      'adapt',
      'Lift the hips less high, feet nearer.',
      'Back and seat hold the body up.',
      { positions: positionsWhere(liesOnBack), footDown: true },
    ],
    [
      'backMoment',
      75,
      'adapt',
      'Roll up half as far, the hands under the hips.',
      'The rounded back carries the legs.',
      { positions: positionsWhere(liesOnBack), footDown: false },
    ],
    ['backMoment', 90, 'adapt', 'Hinge half as far, hands on the thighs.', 'The back holds the tipped trunk.', UPRIGHT],
    [
      'curlLever',
      90,
      'adapt',
      'Bend the knees, hands behind the thighs.',
      'A long trunk hangs on the low back.',
      { ...ON_BACK, already: [['handsHelp', 'Half as far.']] },
    ],
    ['curlLever', 90, 'adapt', 'Lift the chest half as high.', 'The back lifts the trunk.', ON_FRONT],
    ['rolling', 0, 'swap', 'Keep the arc without rolling.', 'Rolling knocks on a sore back.'],
  ],
  'abdominal-separation': [
    ['headLifted', 0, 'swap', 'Head down; breathe out and draw the ribs in.', 'A crunch presses on the gap.'],
    [
      'curlLever',
      20,
      'swap',
      'Stay lying or sit tall; no lowering back through air.',
      'A hanging trunk domes the belly.',
    ],
    ['doubleLegLever', 15, 'swap', 'One foot stays down.', 'Two legs in the air dome the belly.', { grade: 'beyond' }],
    [
      'doubleLegLever',
      15,
      'adapt',
      'Both knees stay over the hips; a foot down at the first doming.',
      'Two legs in the air ask much of the gap.',
      { grade: 'within' },
    ],
    [
      'doubleLegLever',
      24,
      'swap',
      'One leg at a time, the other knee over the hip.',
      'Two legs lowered dome the belly.',
      { grade: 'within' },
    ],
    [
      'legLever',
      25,
      'adapt',
      'Bend the knee; stop before the middle domes.',
      'A long lever asks for more than the gap holds.',
      { unless: 'doubleLegLever', already: [['kneesBent', 'Less far; stop before the middle domes.']] },
    ],
    ['fastTwist', FAST, 'adapt', 'Half as fast, breathing out.', 'A fast turn pulls the two sides apart.'],
    [
      'rotation',
      25,
      'adapt',
      'Turn softly and small, never forcefully.',
      'A forceful twist pulls the two sides apart.',
    ],
    [
      'bellyMoment',
      55,
      'swap',
      'Hands on the wall or a bench, or hands and knees.',
      'The whole belly wall hangs on the gap.',
      {
        ...IN_PLANK,
        already: [
          ['kneesDown', 'Hands on the wall or a bench.'],
          ['handsHigh', 'Hands higher still, or hands and knees.'],
        ],
      },
    ],
    [
      'bellyMoment',
      55,
      'swap',
      'Hands and knees stay down; slide one foot.',
      'The whole belly wall hangs on the gap.',
      ON_ALL_FOURS,
    ],
    ['extension', 25, 'adapt', 'Half as far; ribs stay closed.', 'A big arch stretches the gap.'],
    ['loadedFlexion', 40, 'adapt', 'Half as far, breathing out.', 'Deep bending under load presses outward.'],
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'A held breath presses outward.'],
  ],
  'pregnancy-first': [
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'Pressure and dizziness.'],
    ['doubleLegLever', 45, 'adapt', 'One leg at a time.', 'Strain better left out now.'],
    ...headLow(
      50,
      'adapt',
      'Head-down brings dizziness.',
      'Hips no higher than a low bridge.',
      'Fold half as far, and come up slowly.',
    ),
    ['neckWeight', 45, 'swap', 'Feet down, hips no higher than a low bridge.', 'Body weight stands on the neck.'],
    ['longHold', 30, 'adapt', 'Shorter holds, breathing.', 'Stay able to talk.'],
  ],
  'pregnancy-second': [
    [
      'flatOnBack',
      90,
      'adapt',
      'Prop the chest up, or turn to the left side after a minute.',
      'The weight lies on the large veins.',
    ],
    ['pronePressure', 0, 'swap', 'Four-point, standing or side-lying instead.', 'Nothing presses on the belly.'],
    ['doubleLegLever', 15, 'swap', 'One foot stays down.', 'Two legs in the air strain the belly wall.'],
    ['headLifted', 0, 'swap', 'Head down, or the same work on all fours.', 'A crunch presses on the belly wall.'],
    ['rotation', 25, 'adapt', 'Open turns only, from the upper ribs.', 'A closed twist presses on the belly.'],
    ...headLow(
      30,
      'swap',
      'Head-down brings dizziness and heartburn.',
      'Keep the hips below the ribs.',
      'Fold half as far, hands on the thighs.',
    ),
    ['neckWeight', 40, 'swap', 'Feet down, hips below the ribs.', 'Body weight stands on the neck.'],
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'Pressure and dizziness.'],
    ['straddle', 50, 'adapt', 'Legs narrower, both sides alike.', 'Loose joints of the pelvis.'],
    [
      'bellyMoment',
      75,
      'adapt',
      'Knees down or hands higher.',
      'The belly wall hangs with the whole weight.',
      { ...ON_HANDS, already: [['kneesDown', 'Hands higher.']] },
    ],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'The balance shifts from week to week.'],
    ['rolling', 0, 'clear-first', 'Leave it out unless the midwife agrees.', 'A fall or a knock.'],
  ],
  'pregnancy-third': [
    ['flatOnBack', 30, 'swap', 'Prop the chest well up, or lie on the side.', 'The weight lies on the large veins.'],
    ['pronePressure', 0, 'swap', 'Four-point, standing or side-lying instead.', 'Nothing presses on the belly.'],
    ['doubleLegLever', 10, 'swap', 'One foot stays down.', 'Two legs in the air strain the belly wall.'],
    ['headLifted', 0, 'swap', 'Head down, or the same work on all fours.', 'A crunch presses on the belly wall.'],
    ['loadedFlexion', 30, 'adapt', 'Less far; make room for the belly.', 'There is no room to fold.'],
    ['rotation', 15, 'adapt', 'Open turns only, from the upper ribs.', 'A closed twist presses on the belly.'],
    ...headLow(
      10,
      'swap',
      'Head-down brings dizziness and heartburn.',
      'Keep the hips below the ribs.',
      'Stay upright, or fold only until the hands reach the thighs.',
    ),
    ['neckWeight', 30, 'swap', 'Feet down, hips below the ribs.', 'Body weight stands on the neck.'],
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'Pressure and dizziness.'],
    ['straddle', 35, 'adapt', 'Legs narrower, both sides alike.', 'Loose joints of the pelvis.'],
    [
      'bellyMoment',
      55,
      'swap',
      'Hands on the wall or a bench.',
      'The belly wall hangs with the whole weight.',
      { ...ON_HANDS, already: [['handsHigh', 'Hands higher still, or standing.']] },
    ],
    ['oneFoot', 0, 'adapt', 'A hand on the wall throughout.', 'The balance shifts from week to week.'],
    ['longHold', 20, 'adapt', 'Shorter holds, breathing.', 'Stay able to talk.'],
    ['rolling', 0, 'clear-first', 'Leave it out unless the midwife agrees.', 'A fall or a knock.'],
  ],
  'pelvic-floor': [
    [
      'doubleLegLever',
      22,
      'swap',
      'One leg at a time: the other foot down, or its knee over the hip.',
      'Two legs lowered together press downwards.',
    ],
    [
      'doubleLegLever',
      15,
      'adapt',
      'Practitioners differ: some leave it out, some teach a lift on the out-breath as the legs draw in. Only if you can breathe and nothing domes or bears down.',
      'Both legs in the air press downwards.',
    ],
    [
      'legLever',
      22,
      'adapt',
      'Only if you can breathe and nothing domes or bears down; else bend the knee.',
      'A long lever presses downwards.',
      {
        ...ONE_LEG,
        already: [['kneesBent', 'Only if you can breathe and nothing domes or bears down; else less far.']],
      },
    ],
    ['headLifted', 0, 'adapt', 'Breathe out before the head lifts; fewer.', 'A crunch presses downwards.'],
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'A held breath presses downwards.'],
    [
      'bellyMoment',
      75,
      'adapt',
      'Knees down, and breathe out.',
      'The whole wall braces.',
      { ...ON_HANDS, already: [['kneesDown', 'Hands higher, and breathe out.']] },
    ],
    ['longHold', 20, 'adapt', 'Shorter, with a full let-go between.', 'It must let go as well as hold.'],
  ],
  'low-bone-density': [
    [
      'loadedFlexion',
      25,
      'swap',
      'Hinge at the hips with a long back instead.',
      'Rounding under load presses the front of the vertebrae.',
      FOLDING,
    ],
    [
      'loadedFlexion',
      25,
      'swap',
      'Head and chest stay down; move the arms or the legs alone.',
      'Rounding under load presses the front of the vertebrae.',
      { positions: positionsWhere(liesOnBack) },
    ],
    [
      'loadedFlexion',
      25,
      'swap',
      'Keep the back long as you move.',
      'Rounding under load presses the front of the vertebrae.',
      { positions: positionsWhere((each) => !isUpright(each) && !liesOnBack(each)) },
    ],
    ['rotation', 25, 'swap', 'Turn half as far with a long spine.', 'End-range turning loads a weak vertebra.'],
    ['fastTwist', FAST, 'adapt', 'Half as fast, the spine long.', 'A fast turn loads a weak vertebra.'],
    ['sideBend', 28, 'adapt', 'Reach long, bend less.', 'End-range bending loads one edge.'],
    ['rolling', 0, 'clear-first', 'Leave it out unless a professional agrees.', 'Rolling on a rounded spine.'],
    ['neckWeight', 40, 'clear-first', 'Leave it out unless a professional agrees.', 'Body weight on the upper spine.'],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'A fall costs more.'],
  ],
  'high-blood-pressure': [
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'A held breath drives the pressure up.'],
    ...headLow(
      20,
      'adapt',
      'Head below the heart.',
      'Lower, and for one breath only.',
      'Half way down, for one breath only; come up slowly.',
    ),
    ['inversion', 45, 'clear-first', 'Only after a doctor has agreed.', 'Head well below the heart.'],
    ['neckWeight', 45, 'clear-first', 'Only after a doctor has agreed.', 'Head-down with weight on the neck.'],
    ['longHold', 15, 'adapt', 'Move in and out in place of holding.', 'Long static effort drives the pressure up.'],
    ['armOverhead', 165, 'adapt', 'Arms no higher than the eyes.', 'Arms overhead make the heart push.'],
    ['handLoad', 3, 'adapt', 'Lighter, with a soft grip.', 'Gripping drives the pressure up.'],
  ],
  glaucoma: [
    ['inversion', 10, 'swap', 'Keep the head above the heart.', 'Head-down raises the pressure in the eye.'],
    ['neckWeight', 30, 'clear-first', 'Only after the eye doctor has agreed.', 'Head-down with weight on it.'],
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'A held breath raises the pressure in the eye.'],
    ['rolling', 0, 'clear-first', 'Only after the eye doctor has agreed.', 'Rolling turns the head under the heart.'],
  ],
  vertigo: [
    ['headSweep', 70, 'adapt', 'Half as fast, eyes on one spot, a pause at each end.', 'The head travels far.'],
    ...headLow(
      20,
      'adapt',
      'Head below the heart.',
      'Hips lower; come up slowly.',
      'Half way down, hands on the thighs; come up slowly.',
    ),
    ['rolling', 0, 'swap', 'Keep the arc without rolling.', 'Rolling spins the head.'],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'Balance may fail without warning.'],
  ],
  wrist: [
    [
      'extendedWrists',
      0,
      'adapt',
      'On fists, forearms, or a wedge under the heel of the hand.',
      'The wrist bears bent back.',
    ],
    ['extendedWrists', 45, 'swap', 'Take it on the forearms, or another position.', 'The wrist bears too long.'],
    ['handLoad', 3, 'adapt', 'Lighter, wrist straight.', 'The wrist holds the weight.'],
    ['barGrip', 0, 'adapt', 'Long wrists, space under the heel of the hand.', 'The wrist presses the bar.'],
  ],
  shoulder: [
    [
      'armsBearing',
      20,
      'adapt',
      'Knees down, or hands higher, to take weight off.',
      'The shoulder carries the trunk.',
      { ...IN_PLANK, already: [['kneesDown', 'Hands higher, to take weight off.']] },
    ],
    [
      'armsBearing',
      20,
      'adapt',
      'Weight back over the knees, or on the forearms.',
      'The shoulder carries the trunk.',
      {
        positions: positionsWhere((each) => isTall(each) || isOnAllFours(each)),
        already: [['forearms', 'Weight back over the knees.']],
      },
    ],
    [
      'armsBearing',
      20,
      'adapt',
      'Lower the chest; the head on the hands.',
      'The shoulder carries the trunk.',
      ON_FRONT,
    ],
    ['armsBearing', 20, 'adapt', 'Head and ribs down on the side.', 'The shoulder carries the trunk.', ON_SIDE],
    [
      'armOverhead',
      135,
      'adapt',
      'Arms only as high as is painless, in front of the face.',
      'Arm raised into the pinch.',
    ],
    ['handLoad', 1.5, 'adapt', 'Without the weight.', 'A weight lengthens the arm’s lever.'],
  ],
  knee: [
    [
      'kneeling',
      0,
      'adapt',
      'A folded mat under the knees, or seated.',
      'The kneecap bears.',
      { already: [['kneesRaised', 'Shorter, or seated.']] },
    ],
    ['kneeling', 90, 'swap', 'Take it standing, seated or lying.', 'The kneecap bears too long.'],
    ['kneeBend', 115, 'swap', 'Stay above a right angle, or sit on a cushion.', 'Deep bending under weight.'],
  ],
  ankle: [
    [
      'anklePointed',
      45,
      'adapt',
      'A rolled cloth under the front of the ankle, or toes tucked.',
      'The ankle lies stretched under weight.',
    ],
    ['ankleBent', 25, 'adapt', 'Bend less, heels raised on a folded mat.', 'The shin leans over the foot.'],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'One ankle holds all.'],
  ],
  'hip-replacement': [
    [
      'hipFlexion',
      90,
      'swap',
      'Keep the hip more open than a right angle.',
      'Past a right angle the joint may lever out.',
    ],
    [
      'hipAcross',
      5,
      'swap',
      'Keep the leg on its own side; a cushion between the knees.',
      'Across the midline the joint may lever out.',
    ],
    ['hipTurnedIn', 15, 'swap', 'Keep the knee pointing ahead or out.', 'Turned in the joint may lever out.'],
    ['rotation', 35, 'adapt', 'Let the pelvis come along.', 'The turn ends in the hip.'],
  ],
  'tight-hamstrings': [
    [
      'hamstrings',
      55,
      'adapt',
      'Sit on a cushion, or bend the knees.',
      'Short hamstrings pull the pelvis under.',
      { positions: positionsWhere(isSeated), already: [['seatRaised', 'Bend the knees.']] },
    ],
    [
      'hamstrings',
      55,
      'adapt',
      'Bend the knees.',
      'Short hamstrings pull the pelvis under.',
      { positions: positionsWhere((each) => !isSeated(each)) },
    ],
  ],
  'tight-ankles': [
    ['anklePointed', 45, 'adapt', 'A rolled cloth under the ankles.', 'The front of the ankle is short.'],
    ['ankleBent', 20, 'adapt', 'Heels on a folded mat.', 'The shin can’t lean over the foot.'],
  ],
};

/** The rule table as it comes, line by line. */
export const CAUTION_RULES: readonly CautionRule[] = (
  Object.entries(LINES) as Array<[Condition, readonly Line[]]>
).flatMap(([condition, lines]) =>
  lines.map(([feature, over, verdict, how, why, told]) => ({ condition, feature, over, verdict, how, why, ...told })),
);

const resolved = new WeakMap<Method, readonly CautionRule[]>();

/** The rule table of a house: its changes taken in, rules it does not hold to left out. */
export function cautionRules(method: Method): readonly CautionRule[] {
  const known = resolved.get(method);
  if (known) return known;
  const rules = CAUTION_RULES.flatMap((rule): CautionRule[] => {
    const change = method.cautions.find((each) => isAbout(each, rule));
    if (!change) return [rule];
    if (change.off) return [];
    const { over = rule.over, how, reason } = change;
    // Advice of the house is the house's, whatever people do already.
    return [{ ...rule, over, reason, ...(how === undefined ? {} : { how, already: undefined }) }];
  });
  resolved.set(method, rules);
  return rules;
}

const keys = new WeakMap<CautionRule, string>();
/** What a rule is found again by: no two of one table have the same. */
export function keyOfRule(rule: CautionRule): string {
  let key = keys.get(rule);
  if (key === undefined) {
    const { condition, feature, verdict, over, positions = [], footDown = '', grade = '' } = rule;
    key = [condition, feature, verdict, over, ...positions, footDown, grade].join('/');
    keys.set(rule, key);
  }
  return key;
}

/** What a rule advises people who do some of it already. */
export const adviceOf = ({ how, already = [] }: CautionRule, done: ReadonlySet<Already>): string =>
  already.find(([each]) => done.has(each))?.[1] ?? how;

/** Whether a change of the house is about a rule: the same condition, feature and verdict, wherever the body is. */
export const isAbout = (change: CautionChange, rule: CautionRule): boolean =>
  change.condition === rule.condition && change.feature === rule.feature && change.verdict === rule.verdict;

/** The graver of two verdicts. */
export const graver = (a: Verdict, b: Verdict): Verdict => (VERDICTS.indexOf(a) >= VERDICTS.indexOf(b) ? a : b);
