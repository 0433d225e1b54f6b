import { type BasePosition, PositionGraph, type StudioPosition } from '../body';
import { type Method, type MethodFile, resolveMethod } from '../method';
import { courseOf, type Moment } from './course';
import { type Exercise, type Prop, type Rung, type RungRef, rungKey } from './exercise';
import type { RungFeatures } from './features';
import type { RungMeasures } from './heat';
import { isGuided } from './props';
import { type Worth, worthOf } from './worth';

export interface CatalogSource {
  readonly method?: MethodFile | undefined;
  readonly positions?: readonly StudioPosition[] | undefined;
  readonly props?: readonly Prop[] | undefined;
  readonly exercises: readonly Exercise[];
}

/** A rung with everything around it that the plan and the review ask for. */
export interface RungEntry {
  readonly key: string;
  readonly exercise: Exercise;
  readonly rung: Rung;
  /** Place in its ladder, counted from 0. */
  readonly step: number;
  readonly props: readonly Prop[];
  readonly like: BasePosition;
}

/** The repertoire made ready to compute with: rungs by key, the position graph, the method with its defaults. */
export class Catalog {
  readonly method: Method;
  readonly graph: PositionGraph;
  readonly exercises: readonly Exercise[];
  readonly #entries = new Map<string, RungEntry>();
  readonly #exercises = new Map<string, Exercise>();
  readonly #worth = new Map<string, Worth>();

  constructor({ method, positions = [], props = [], exercises }: CatalogSource) {
    this.method = resolveMethod(method);
    this.graph = new PositionGraph(positions, this.method.edgeSeconds);
    this.exercises = exercises;
    const propsById = new Map(props.map((prop) => [prop.id, prop]));
    for (const exercise of exercises) {
      this.#exercises.set(exercise.id, exercise);
      const like = this.graph.like(exercise.position);
      exercise.rungs.forEach((rung, step) => {
        const key = rungKey({ exercise: exercise.id, rung: rung.id });
        const own = (rung.props ?? []).flatMap((id) => propsById.get(id) ?? []);
        this.#entries.set(key, { key, exercise, rung, step, props: own, like });
      });
    }
  }

  exercise(id: string): Exercise | undefined {
    return this.#exercises.get(id);
  }

  rung(ref: RungRef): RungEntry | undefined {
    return this.#entries.get(rungKey(ref));
  }

  get rungs(): RungEntry[] {
    return [...this.#entries.values()];
  }

  #worthOf(entry: RungEntry): Worth {
    const known = this.#worth.get(entry.key);
    if (known) return known;
    const { rung, exercise, like, props } = entry;
    const guided = isGuided(exercise, rung, this.graph, props, this.method.bodyHeightM);
    const worth = worthOf(rung, { method: this.method, like, props, guided });
    this.#worth.set(entry.key, worth);
    return worth;
  }

  /** Heat, its factors and the load of a rung, computed once a rung. */
  measures(entry: RungEntry): RungMeasures {
    return this.#worthOf(entry).measures;
  }

  heat(entry: RungEntry): number {
    return this.measures(entry).heat;
  }

  /** One repetition of a rung, moment by moment. Not kept: what is read from it is, and it is large. */
  course(entry: RungEntry): readonly Moment[] {
    return courseOf(entry.rung, entry.like, this.method);
  }

  /** What a rung does to a body: what cautions, exposures and substitutes read. */
  features(entry: RungEntry): RungFeatures {
    return this.#worthOf(entry).features;
  }
}
