import { anglesOf, bears, headBears, legBears, SIDES } from '../../body';
import type { Moment } from '../measuring/course';
import { headInHands, type Reading } from './poseFeatures';

/** What a rung does throughout of what a caution may advise, so that nobody is told to do what they do. */
const ALREADY = [
  'footDown',
  'kneesBent',
  'kneesDown',
  'kneesRaised',
  'headHeld',
  'handsHigh',
  'handsHelp',
  'forearms',
  'seatRaised',
] as const;
export type Already = (typeof ALREADY)[number];

/** Degrees from which a knee is bent, and from which hands stand higher than the feet. */
const [BENT, HIGH] = [45, 15];

const either = (holds: (side: (typeof SIDES)[number]) => boolean): boolean => SIDES.some(holds);

const DONE: Readonly<Record<Already, (moment: Moment, reading: Reading) => boolean>> = {
  footDown: ({ posed: { pose } }) => either((side) => legBears(pose, side)),
  kneesBent: ({ posed: { pose, angles } }) => SIDES.every((side) => legBears(pose, side) || angles.knee[side] >= BENT),
  kneesDown: ({ posed: { pose } }) => either((side) => bears(pose, 'knees', side) || bears(pose, 'shins', side)),
  kneesRaised: ({ posed: { pose } }, { raised }) =>
    either((side) => bears(pose, 'knees', side) && (raised.has(`knee.${side}`) || raised.has(`shin.${side}`))),
  headHeld: (moment) => headBears(moment.posed.pose) || headInHands(moment),
  handsHigh: ({ posed: { pose } }, { raised }) =>
    anglesOf(pose).pitch >= HIGH || either((side) => raised.has(`hand.${side}`)),
  handsHelp: ({ posed: { pose } }) =>
    Object.values(pose.holds ?? {}).some((held) => /^(?:thigh|shin|foot)\./.test(held ?? '')),
  forearms: ({ posed: { pose } }) => either((side) => bears(pose, 'forearms', side)),
  seatRaised: (_moment, { raised }) => raised.has('pelvis'),
};

/** What holds in every one of some moments. */
export const alreadyIn = (moments: readonly Moment[], reading: Reading): ReadonlySet<Already> =>
  new Set(moments.length === 0 ? [] : ALREADY.filter((each) => moments.every((moment) => DONE[each](moment, reading))));
