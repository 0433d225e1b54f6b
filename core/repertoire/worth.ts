import type { BasePosition } from '../body';
import type { Method } from '../method';
import { courseOf } from './course';
import type { Prop, Rung } from './exercise';
import { featuresOf, type RungFeatures } from './features';
import { measureRung, type RungMeasures } from './heat';

/** All that a rung is measured with, beside itself. */
interface Circumstances {
  readonly method: Method;
  readonly like: BasePosition;
  readonly props: readonly Prop[];
  /** Something beside the body shows every sway. */
  readonly guided: boolean;
}

/** What a rung is worth in its circumstances, each part measured when it is first asked for. */
class Worth {
  readonly #rung: Rung;
  readonly #with: Circumstances;
  #measures: RungMeasures | undefined;
  #features: RungFeatures | undefined;

  constructor(rung: Rung, circumstances: Circumstances) {
    this.#rung = rung;
    this.#with = circumstances;
  }

  /** Heat, its factors and the load. */
  get measures(): RungMeasures {
    const { like, method, props, guided } = this.#with;
    this.#measures ??= measureRung(this.#rung, like, method, props, guided);
    return this.#measures;
  }

  /** What the rung does to a body. */
  get features(): RungFeatures {
    const { like, method } = this.#with;
    this.#features ??= featuresOf(this.#rung, like, method, courseOf(this.#rung, like, method));
    return this.#features;
  }

  holdsFor({ method, like, props, guided }: Circumstances): boolean {
    const own = this.#with;
    const same = own.method === method && own.like === like && own.guided === guided;
    return same && own.props.length === props.length && own.props.every((prop, i) => prop === props[i]);
  }
}

export type { Worth };

const remembered = new WeakMap<Rung, Worth>();

/**
 * What a rung is worth, remembered by the rung itself: rungs, props and methods are never changed in place, so another
 * catalogue over the same repertoire measures only what has changed.
 */
export function worthOf(rung: Rung, circumstances: Circumstances): Worth {
  const known = remembered.get(rung);
  if (known?.holdsFor(circumstances)) return known;
  const worth = new Worth(rung, circumstances);
  remembered.set(rung, worth);
  return worth;
}
