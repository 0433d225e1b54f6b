import type { Condition, Graded } from '../../caution';
import { type Choices, chosen } from '../../method';
import type { Audience, LaidBlock, PacedTeacher, TimedBlock, TimedClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import { type Craft, craftOf } from '../craft/craft';
import { type Thread, threadOf } from '../craft/idea';
import { titleOf } from '../finding';
import { type Arc, arcOf } from '../patterns/arc';
import { FiredRules } from '../patterns/fired';
import { flexionStretches } from '../patterns/flexionStretches';
import { returnsOf, shufflesOf, tripsUp } from '../patterns/flow';
import { unevenExercises } from '../patterns/sides';
import type { Raised } from '../rule';
import { Known } from './known';
import { learntBy } from './learnt';
import { type Limits, type Room, roomOf } from './room';
import { Stretches } from './stretches';

export interface ReviewContext {
  readonly audience?: Audience | undefined;
  /** Asked for by name: a class's own review is without one. */
  readonly teacher?: PacedTeacher | undefined;
  /** Keys of rungs met before this class (see `earlierInSeries`). */
  readonly earlier?: ReadonlySet<string>;
  /** What its series has chosen otherwise. */
  readonly choices?: Partial<Choices> | undefined;
  /** What comes after it in its series, by name: its closing says so. */
  readonly next?: string | undefined;
  /** The day it is, `YYYY-MM-DD`: the core has no calendar of its own. */
  readonly today?: string | undefined;
  /**
   * Where it is judged: `alone` when unsaid; a `member` of a series leaves to the series what has to be learnt before;
   * an `episode` is judged in its place of one.
   */
  readonly place?: 'alone' | 'member' | 'episode';
}

const NOTHING_MET: ReadonlySet<string> = new Set();
const together = new WeakMap<ReadonlySet<string>, WeakMap<ReadonlySet<string>, ReadonlySet<string>>>();

/** What people have met before a class: in its series, and where it stands alone what they have learnt elsewhere. */
function metIn(
  { catalog, audience, limits }: Room,
  { earlier = NOTHING_MET, place = 'alone' }: ReviewContext,
): ReadonlySet<string> {
  if (place !== 'alone') return earlier;
  const learnt = learntBy(catalog, audience, limits.homeHeat);
  if (learnt.size === 0) return earlier;
  if (earlier.size === 0) return learnt;
  let known = together.get(learnt);
  if (!known) {
    known = new WeakMap();
    together.set(learnt, known);
  }
  const both = known.get(earlier) ?? new Set([...earlier, ...learnt]);
  known.set(earlier, both);
  return both;
}

/** What every rule of the review reads; what several ask for is worked out when the first one does. */
export class Subject {
  readonly timed: TimedClass;
  readonly room: Room;
  /** Keys of rungs the audience has met before this class: in its series, or outside its classes. */
  readonly earlier: ReadonlySet<string>;
  /** What is chosen in this class where good practitioners differ. */
  readonly choices: Choices;
  /** The day it is; without it nothing is judged by its age. */
  readonly today: string | undefined;
  readonly place: NonNullable<ReviewContext['place']>;
  /** What is known of each block. */
  readonly known: readonly Known[];
  /** Blocks that are done and not only shown, with their heats: what sides, arc and exposure in all are judged by. */
  readonly done: readonly TimedBlock[];
  readonly heats: readonly number[];
  /** Heat of the hottest of them; 0 when nothing is done. */
  readonly hottest: number;
  /** How long parts of the body are loaded at a stretch. */
  readonly stretches: Stretches;
  /** What rules of the order alone raised, by their place in the list; who asks them keeps it here. */
  readonly raisedByOrder: Array<readonly Raised[] | undefined>;
  readonly #knownOfDone: readonly Known[];
  #alike: Subject | undefined;
  #arc: Arc | null | undefined;
  #fired: FiredRules | undefined;
  #sides: ReturnType<typeof unevenExercises> | undefined;
  #bent: ReturnType<typeof flexionStretches> | undefined;
  #returns: ReturnType<typeof returnsOf> | undefined;
  #trips: ReturnType<typeof tripsUp> | undefined;
  #shuffles: ReturnType<typeof shufflesOf> | undefined;
  #craft: Craft | undefined;
  #thread: Thread | null | undefined;

  constructor(catalog: Catalog, timed: TimedClass, context: ReviewContext) {
    const { plan, blocks } = timed;
    const room = roomOf(catalog, plan, context);
    const before = measuredLast.get(room);
    const known: Known[] = [];
    let shows = false;
    let hottest = 0;
    for (let i = 0; i < blocks.length; i++) {
      const { laid } = blocks[i] as TimedBlock;
      const each = (before && knownBefore(before.known, laid, i, blocks.length)) ?? new Known(room, laid);
      known.push(each);
      if (laid.shown) shows = true;
      else if (each.heat > hottest) hottest = each.heat;
    }
    this.timed = timed;
    this.room = room;
    this.earlier = metIn(room, context);
    this.choices = chosen(catalog.method.choices, context.choices, plan.choices);
    this.today = context.today;
    this.place = context.place ?? 'alone';
    this.known = known;
    this.done = shows ? blocks.filter(({ shown }) => !shown) : blocks;
    this.#knownOfDone = shows ? known.filter(({ laid }) => !laid.shown) : known;
    this.hottest = hottest;
    const alike = before && inSameOrder(this, before) ? before : undefined;
    this.heats = alike?.heats ?? this.#knownOfDone.map(({ heat }) => heat);
    this.stretches = new Stretches(room, timed, known, before?.stretches);
    this.#alike = alike;
    this.#returns = alike?.returns;
    this.#trips = alike?.trips;
    this.#shuffles = alike?.shuffles;
    this.raisedByOrder = alike?.raisedByOrder ?? [];
    measuredLast.set(room, this);
  }

  /** What is known of the block at an index of the sequence. @throws RangeError where no block with a rung stands */
  knownAt(index: number): Known {
    const known = this.known[this.timed.blocks.findIndex((block) => block.index === index)];
    if (!known) throw new RangeError(`no block stands at ${index}`);
    return known;
  }

  /** What is called a part of the class; nothing where there is none. */
  titleAt(index: number | undefined): string {
    const part = index === undefined ? undefined : this.timed.sequence[index];
    return part ? titleOf(part) : '';
  }

  /** Lets go of the class it took things over from: else every class ever measured would hang on the last. */
  settle(): void {
    this.#alike = undefined;
  }

  get catalog(): Catalog {
    return this.room.catalog;
  }

  get audience(): Audience | undefined {
    return this.room.audience;
  }

  get conditions(): readonly Condition[] {
    return this.room.conditions;
  }

  get graded(): readonly Graded[] {
    return this.room.graded;
  }

  get limits(): Limits {
    return this.room.limits;
  }

  /** How the class rises and falls in heat. */
  get arc(): Arc | null {
    if (this.#arc === undefined) this.#arc = arcOf(this, this.#alike?.arc?.peaks);
    return this.#arc;
  }

  /** How well it is made, term by term. */
  get craft(): Craft {
    this.#craft ??= craftOf(this);
    return this.#craft;
  }

  /** The idea it grows by. */
  get thread(): Thread | null {
    if (this.#thread === undefined) this.#thread = threadOf(this);
    return this.#thread;
  }

  /** Chance of running late with the blocks to give left out; undefined where none may go. */
  get overIfGiven(): number | undefined {
    return this.timed.range.overIfGiven;
  }

  /** What the conditions in the room ask of it. */
  get fired(): FiredRules {
    this.#fired ??= new FiredRules(this, this.#alike);
    return this.#fired;
  }

  /** What exercises do on each side that are done more on one in some block. */
  get sides() {
    this.#sides ??= unevenExercises(this.done, this.#knownOfDone);
    return this.#sides;
  }

  /** Stretches of bending forward. */
  get bent() {
    this.#bent ??= flexionStretches(this.done, this.#knownOfDone);
    return this.#bent;
  }

  /** Stays in a position already left. */
  get returns() {
    this.#returns ??= returnsOf(this.timed.sequence);
    return this.#returns;
  }

  /** Parts that people are sent up from the floor to. */
  get trips() {
    const { graph } = this.catalog;
    this.#trips ??= tripsUp(this.timed, (position) => graph.like(position));
    return this.#trips;
  }

  /** Parts for which a prop is fetched that had been put away. */
  get shuffles() {
    this.#shuffles ??= shufflesOf(this.timed.sequence);
    return this.#shuffles;
  }
}

/** What was known of a block in the class before: where it stood, or one place beside, or as far from the end. */
function knownBefore(before: readonly Known[], laid: LaidBlock, at: number, count: number): Known | undefined {
  if (before[at]?.laid === laid) return before[at];
  for (const place of [at - 1, at + 1, at + before.length - count]) {
    if (before[place]?.laid === laid) return before[place];
  }
  return undefined;
}

/** The class measured last in each room: the next is most often the same with one thing changed. */
const measuredLast = new WeakMap<Room, Subject>();

/** Whether two classes in one room have the same rungs in the same order and modes, and the same ways between them. */
function inSameOrder(a: Subject, b: Subject): boolean {
  const [own, others] = [a.timed.sequence, b.timed.sequence];
  return (
    a.earlier === b.earlier &&
    a.today === b.today &&
    a.choices === b.choices &&
    a.place === b.place &&
    a.timed.plan.openingPosition === b.timed.plan.openingPosition &&
    own.length === others.length &&
    own.every((part, i) => alikeParts(part, others[i] as typeof part))
  );
}

type Part = TimedClass['sequence'][number];

const alikeParts = (a: Part, b: Part): boolean =>
  a === b ||
  a.laid === b.laid ||
  (a.kind === 'block' &&
    b.kind === 'block' &&
    a.entry === b.entry &&
    a.change === b.change &&
    a.block.mode === b.block.mode &&
    a.block.id === b.block.id);
