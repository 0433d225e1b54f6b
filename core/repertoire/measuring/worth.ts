import equal from 'fast-deep-equal';
import { type BasePosition, type Load, type Support, supportsOf } from '../../body';
import { type Measuring, measuresAlike } from '../../method';
import type { Prop, Rung } from '../exercise';
import { featuresOf, type RungFeatures } from '../features/features';
import { type Course, courseOf, heaviestOf } from './course';
import { measureRung, type RungMeasures } from './heat';
import { surfacesOf } from './propShape';

/** All that a rung is measured with, beside itself. */
interface Circumstances {
  readonly method: Measuring;
  /** Of its exercise, and the base position it is drawn and measured as. */
  readonly position: string;
  readonly like: BasePosition;
  readonly props: readonly Prop[];
  /** Something beside the body shows every sway. */
  readonly guided: boolean;
}

/**
 * The course worked out last: what is read of a rung is read in one go. Only the last, for it is large: a repertoire of
 * whose rungs nobody has asked but the heat would else be held whole.
 */
let last: { readonly worth: Worth; readonly course: Course } | undefined;

/** What a rung is worth in its circumstances, each part measured when it is first asked for. */
class Worth {
  readonly #rung: Rung;
  readonly #with: Circumstances;
  #measures: RungMeasures | undefined;
  #features: RungFeatures | undefined;
  /** By who asks, under a name; and by what it was asked with, as long as somebody has that. */
  readonly #named = new Map<string, unknown>();
  readonly #remembered = new WeakMap<object, unknown>();

  constructor(rung: Rung, circumstances: Circumstances) {
    this.#rung = rung;
    this.#with = circumstances;
  }

  /** Heat, its factors and the load. */
  get measures(): RungMeasures {
    this.#measures ??= this.#measure();
    return this.#measures;
  }

  get isMeasured(): boolean {
    return this.#measures !== undefined;
  }

  /** Takes over the heat that was measured elsewhere of the same rung in the same circumstances. */
  know(heat: number): void {
    const measure = () => this.#measure();
    let known: RungMeasures | undefined;
    this.#measures ??= {
      heat,
      get factors() {
        known ??= measure();
        return known.factors;
      },
      get load() {
        known ??= measure();
        return known.load;
      },
    };
  }

  /** The load only when it is asked for: it is summed over every moment, and most who ask want the heat. */
  #measure(): RungMeasures {
    const { like, method, props, guided } = this.#with;
    const measured = measureRung(this.#rung, { like, method, props, guided }, this.passed());
    const heaviest = () => heaviestOf(this.passed(), method);
    let load: Load | undefined;
    return {
      ...measured,
      get load() {
        load ??= heaviest();
        return load;
      },
    };
  }

  /** What the rung does to a body. */
  get features(): RungFeatures {
    const { method, props } = this.#with;
    this.#features ??= featuresOf(this.passed(), { method, raised: raisedSupports(this.#rung, props) });
    return this.#features;
  }

  /** The rung as it passes, moment by moment, on what carries it. */
  passed(): Course {
    if (last?.worth === this) return last.course;
    const { method, position, like, props } = this.#with;
    const course = courseOf(this.#rung, like, method, surfacesOf({ position, rung: this.#rung, props }));
    last = { worth: this, course };
    return course;
  }

  /** Anything else that is worked out of the features alone, once, under a key of who asks. */
  remembered<T>(key: object | string, work: () => T): T {
    return typeof key === 'string' ? keptIn(this.#named, key, work) : keptIn(this.#remembered, key, work);
  }

  holdsFor({ method, position, like, props, guided }: Circumstances): boolean {
    const own = this.#with;
    const same =
      measuresAlike(own.method, method) && own.position === position && own.like === like && own.guided === guided;
    return (
      same &&
      own.props.length === props.length &&
      own.props.every((prop, i) => prop === props[i] || equal(prop, props[i]))
    );
  }
}

interface Kept<K> {
  has(key: K): boolean;
  get(key: K): unknown;
  set(key: K, value: unknown): unknown;
}

function keptIn<K, T>(kept: Kept<K>, key: K, work: () => T): T {
  if (kept.has(key)) return kept.get(key) as T;
  const found = work();
  kept.set(key, found);
  return found;
}

export type { Worth };

/** Supports that lie on a prop, as two sides; a prop of no height raises nothing. */
function raisedSupports({ on }: Rung, props: readonly Prop[]): ReadonlySet<string> {
  const lying = Object.entries(on ?? {}).flatMap(([support, id]) =>
    (props.find((prop) => prop.id === id)?.heightM ?? SOME_HEIGHT) > 0 ? [support as Support] : [],
  );
  return supportsOf({ supports: lying });
}
/** What a prop of unsaid height is taken to raise, in metres. */
const SOME_HEIGHT = 0.1;

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
