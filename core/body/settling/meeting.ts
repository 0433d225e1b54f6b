import { liesOnSide } from '../../vocabulary/bodies/position';
import { type Pose, supportsOf } from '../poses/pose';
import type { BasePosition } from '../position';
import type { Bringing, Want } from './bringing';
import { type Footing, PLANTED } from './plants';
import { type Bearing, type Contact, FLESH, throughFloor } from './resting';
import type { LimbName } from './turning';

/**
 * What would go through the floor, beside what bears: limbs give way by themselves, a trunk with all. What has met the
 * floor is held to it for as long as it would sink; what comes off it again is let go, but for those that would come and
 * go for ever.
 */
export class Meeting {
  readonly #pose: Pose;
  readonly #footing: Footing;
  readonly #bearing: readonly Want[];
  readonly #contacts: readonly Contact[];
  #met: ReadonlyArray<Want & { readonly support: string }> = [];
  readonly #often = new Map<string, number>();

  constructor(pose: Pose, bearing: readonly Want[], footing: Footing) {
    this.#pose = pose;
    this.#footing = footing;
    this.#bearing = bearing;
    this.#contacts = bearing.map(({ limb, place }) => ({ support: '', limb, place, rests: 0 }));
  }

  /** All that a body should come to as it is now. */
  wants({ bones, floor, facing, at }: Bringing): readonly Want[] {
    const { like, heightM, surfaces } = this.#footing;
    if (surfaces('floor') === null) return this.#bearing;
    const sinks = ({ place, to, support }: Want & { readonly support: string }) =>
      (this.#often.get(support) ?? 0) > COMES_BACK || at(place(bones)).y < to.y;
    const met = this.#met.filter(sinks);
    const meet = (support: string, limb: LimbName | null, place: Want['place'], rests: number) => {
      this.#often.set(support, (this.#often.get(support) ?? 0) + 1);
      met.push({ support, limb, place, to: { x: 0, y: rests, z: 0 }, across: null, rise: PLANTED });
    };
    const held = [
      ...this.#contacts,
      ...met.map(({ support, limb, place, to }) => ({ support, limb, place, rests: to.y, free: true as const })),
    ];
    for (const { support, limb, place, rests } of throughFloor(bones, facing.up, floor, heightM, held, surfaces)) {
      meet(support, limb, place, rests);
    }
    for (const [part, place] of trunkOf(like)) {
      const surface = surfaces(part);
      if (surface === null || [...this.#bearing, ...met].some((want) => want.place === place)) continue;
      const rests = FLESH[part] * heightM + (supportsOf(this.#pose).has(part) ? surface : 0);
      if (at(place(bones)).y < rests - PRESSES * heightM) meet(part, null, place, rests);
    }
    this.#met = met;
    return [...this.#bearing, ...met];
  }
}
/** How often a point may come off the floor again and meet it once more. */
const COMES_BACK = 3;
/** Metres by which a trunk may press in, as a share of height. */
const PRESSES = 0.003;

const LYING_TRUNK = [
  ['pelvis', ({ hip }: Bearing) => hip],
  ['ribs', ({ ribs }: Bearing) => ribs],
  ['shoulders', ({ shoulder }: Bearing) => shoulder],
  ['head', ({ head }: Bearing) => head],
] as const;
const SIDE_TRUNK = [
  ['pelvis', ({ leg }: Bearing) => leg.left.root],
  ['ribs', ({ arm }: Bearing) => arm.left.root],
] as const;
const trunkOf = (like: BasePosition) => (liesOnSide(like) ? SIDE_TRUNK : LYING_TRUNK);
