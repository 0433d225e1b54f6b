import { armBears, type BasePosition, PositionGraph, type StudioPosition } from '../body';
import { type Method, type MethodFile, resolveMethod } from '../method';
import { bearsOnHands, isUpright } from '../vocabulary/bodies/position';
import type { Sidedness } from '../vocabulary/bodies/side';
import { type Exercise, type Prop, type Rung, type RungRef, rungKey, splitRungKey } from './exercise';
import type { RungFeatures } from './features/features';
import { withRange } from './ladders/range';
import type { Course } from './measuring/course';
import type { RungMeasures } from './measuring/heat';
import { type Worth, worthOf } from './measuring/worth';
import { isGuided } from './props';

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
  /** The rung's own position and sides, else its exercise's. */
  readonly position: string;
  readonly sides: Sidedness;
  /** Place in its ladder, counted from 0. */
  readonly step: number;
  readonly props: readonly Prop[];
  /** What it is drawn and measured as (`drawnAs`). */
  readonly like: BasePosition;
  /** The rung through all of its range, where this is it through less. */
  readonly whole?: RungEntry;
}

/**
 * The base position a rung is drawn and measured as: its own, but a body on its hands stays one, whatever it leans on:
 * a plank at the wall is a plank, though whoever does it is standing.
 */
export function drawnAs(graph: PositionGraph, exercise: Exercise, rung: Rung): BasePosition {
  const own = graph.like(rung.position ?? exercise.position);
  const whole = graph.like(exercise.position);
  const onHands = bearsOnHands(whole) && isUpright(own) && leansOnHands(rung);
  return onHands ? whole : own;
}

const leansOnHands = ({ poses }: Rung): boolean =>
  Object.values(poses).some((pose) => armBears(pose, 'left') || armBears(pose, 'right'));

/** Heats of rungs by their keys. */
export type Heats = Readonly<Record<string, number>>;

/** The repertoire made ready to compute with: rungs by key, the position graph, the method with its defaults. */
export class Catalog {
  readonly method: Method;
  readonly graph: PositionGraph;
  readonly exercises: readonly Exercise[];
  /** By exercise and rung, two steps: a key put together for every look-up would cost more than the look-up. */
  readonly #entries = new Map<string, Map<string, RungEntry>>();
  readonly #list: RungEntry[] = [];
  readonly #placed = new Map<string, RungEntry>();
  readonly #exercises = new Map<string, Exercise>();
  readonly #props: ReadonlyMap<string, Prop>;
  readonly #worth = new Map<RungEntry, Worth>();

  constructor({ method, positions = [], props = [], exercises }: CatalogSource) {
    this.method = resolveMethod(method);
    this.graph = new PositionGraph(positions, this.method.edgeSeconds);
    this.exercises = exercises;
    this.#props = new Map(props.map((prop) => [prop.id, prop]));
    for (const exercise of exercises) {
      this.#exercises.set(exercise.id, exercise);
      const ladder = new Map<string, RungEntry>();
      this.#entries.set(exercise.id, ladder);
      exercise.rungs.forEach((rung, step) => {
        const key = rungKey({ exercise: exercise.id, rung: rung.id });
        const own = (rung.props ?? []).flatMap((id) => this.#props.get(id) ?? []);
        const { position = exercise.position, sides = exercise.sides } = rung;
        const entry = {
          key,
          exercise,
          rung,
          position,
          sides,
          step,
          props: own,
          like: drawnAs(this.graph, exercise, rung),
        };
        ladder.set(rung.id, entry);
        this.#list.push(entry);
      });
    }
  }

  exercise(id: string): Exercise | undefined {
    return this.#exercises.get(id);
  }

  prop(id: string): Prop | undefined {
    return this.#props.get(id);
  }

  rung(ref: RungRef): RungEntry | undefined {
    return this.#entries.get(ref.exercise)?.get(ref.rung);
  }

  /** The rung of a block, through as much of its range as the block says: its key and its place are the rung's own. */
  placed(block: RungRef & { readonly range?: number | undefined }): RungEntry | undefined {
    const entry = this.rung(block);
    if (!entry || block.range === undefined || block.range >= 1) return entry;
    const name = `${entry.key} ${block.range}`;
    let placed = this.#placed.get(name);
    if (!placed) {
      placed = { ...entry, rung: withRange(entry.rung, block.range), whole: entry };
      this.#placed.set(name, placed);
    }
    return placed;
  }

  /** @param key `exercise/rung` */
  rungByKey(key: string): RungEntry | undefined {
    return this.rung(splitRungKey(key));
  }

  get rungs(): readonly RungEntry[] {
    return this.#list;
  }

  /** The rungs of an exercise, branches in their places. */
  ladder(exercise: string): readonly RungEntry[] {
    return [...(this.#entries.get(exercise)?.values() ?? [])];
  }

  /** What a rung is worth; whoever works out more of it keeps it there. */
  worth(entry: RungEntry): Worth {
    const known = this.#worth.get(entry);
    if (known) return known;
    const { rung, position, like, props } = entry;
    const guided = isGuided(entry, this.graph, this.method.bodyHeightM);
    const worth = worthOf(rung, { method: this.method, position, like, props, guided });
    this.#worth.set(entry, worth);
    return worth;
  }

  /** Heat, its factors and the load of a rung, computed once a rung. */
  measures(entry: RungEntry): RungMeasures {
    return this.worth(entry).measures;
  }

  isMeasured(entry: RungEntry): boolean {
    return this.worth(entry).isMeasured;
  }

  /** The heats of the rungs that were measured, or taken over, in this catalogue. */
  measuredHeats(): Heats {
    return this.heatsOf([...this.#worth].flatMap(([entry, worth]) => (worth.isMeasured ? entry : [])));
  }

  /** The heat of rungs by key: data, which another catalogue over the same repertoire takes over. */
  heatsOf(entries: readonly RungEntry[]): Heats {
    return Object.fromEntries(entries.map((entry) => [entry.key, this.heat(entry)]));
  }

  /** Takes over heats that were measured elsewhere over the same repertoire, method and props. */
  knowHeats(heats: Heats): void {
    for (const [key, heat] of Object.entries(heats)) {
      const entry = this.rungByKey(key);
      if (entry) this.worth(entry).know(heat);
    }
  }

  heat(entry: RungEntry): number {
    return this.measures(entry).heat;
  }

  /** A rung as it passes, moment by moment; large, and only the last is kept. */
  course(entry: RungEntry): Course {
    return this.worth(entry).passed();
  }

  /** What a rung does to a body: what cautions, exposures and substitutes read. */
  features(entry: RungEntry): RungFeatures {
    return this.worth(entry).features;
  }
}
