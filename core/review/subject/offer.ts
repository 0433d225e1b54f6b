import { blockSeconds, doseOf, type LaidBlock, type Option, repsOf, tempoOf } from '../../plan';
import { type Doing, type RungEntry, workRun } from '../../repertoire';
import type { TimeFeature } from '../../vocabulary/bodies/features';
import { BIT, type RungReading, readingOf } from './reading';
import type { Room } from './room';

/** A rung offered in a block; what several rules ask of it is worked out when the first one does. */
export class Offer {
  readonly room: Room;
  readonly home: LaidBlock;
  readonly option: Option;
  readonly entry: RungEntry;
  readonly reading: RungReading;
  readonly #longest: Partial<Record<TimeFeature, number>> = {};
  #doing: Doing | undefined;

  constructor(room: Room, home: LaidBlock, option: Option, entry: RungEntry) {
    this.room = room;
    this.home = home;
    this.option = option;
    this.entry = entry;
    this.reading = readingOf(room.catalog, entry);
  }

  /** How it is done on one side, as the room counts. */
  get doing(): Doing {
    if (this.#doing) return this.#doing;
    const { entry, option, home } = this;
    const { catalog, pacing } = this.room;
    const dose = doseOf(entry, option);
    const alternates = entry.sides === 'alternate' && home.block.side === undefined;
    this.#doing = {
      entry: !home.carries,
      exit: !home.carried,
      sets: dose.sets,
      reps: repsOf(dose) * (alternates ? 2 : 1),
      count: (dose.secondsPerCount ?? catalog.method.secondsPerCount) * tempoOf(pacing),
      restSeconds: catalog.method.restBetweenSetsSeconds,
    };
    return this.#doing;
  }

  /** Seconds a feature holds at a stretch in it. What is held longer holds what the shape holds. */
  longest(feature: TimeFeature): number {
    const known = this.#longest[feature];
    if (known !== undefined) return known;
    const { features, ends } = this.reading;
    const held = ends & BIT[feature] ? (this.option.holdSeconds ?? 0) : 0;
    const seconds = workRun(features, feature, this.doing).longest + held;
    this.#longest[feature] = seconds;
    return seconds;
  }

  /** Its seconds: its work on the sides the home rung is done on, held and paused as it says. */
  seconds(option: Option = this.option): number {
    const { home, entry, room } = this;
    const { id, exercise, mode, side, shown } = home.block;
    const asBlock = { id, exercise, rung: option.rung, mode, side, shown, dose: option.dose };
    const { work } = blockSeconds(entry, asBlock, room.catalog.method, room.pacing, {
      carries: home.carries,
      carried: home.carried,
      setsUpTwice: false,
    });
    return work + home.passes.length * ((option.holdSeconds ?? 0) + (option.pauseSeconds ?? 0));
  }
}
