import type { Choices, SchoolId } from '../method/choices';
import type { Catalog, RungEntry } from '../repertoire';
import { backAskIn, loadsLowBack, shapesOf } from './lowBack';
import { legsLong } from './strays';
import { asksFor, type Says } from './words';

/** What the house says of a rung by its schools, and where it belongs among the lines of a script. */
export interface Guidance {
  readonly school: SchoolId;
  readonly place: 'breath' | 'legs' | 'alignment';
  readonly text: string;
}

const BACK_WORDS: Readonly<Record<'keep-gap' | 'press-back' | 'in-turn', string>> = {
  'keep-gap': 'Keep the small gap under your waist as it is.',
  'press-back': 'Press your low back down and keep it there.',
  'in-turn': 'One foot down: keep the gap under your waist. Both legs up: press your low back down.',
};

const EFFORT_WORDS: Readonly<Record<Choices['effortBreath'], string>> = {
  out: 'Breathe out on the effort.',
  'in-on-lowering': 'Breathe in as you lower, out as you come back.',
  natural: 'Breathe as it comes; never hold it.',
};

const LEG_WORDS: Readonly<Record<Choices['legs'], string>> = {
  parallel: 'Legs parallel, kneecaps and toes ahead.',
  'turned-out': 'Legs turned out from the hips.',
  'small-v': 'Heels together, toes a little apart: a small V.',
};

const SEAT_WORDS: Readonly<Record<Choices['seat'], string>> = {
  soft: 'Seat soft and wide.',
  'drawn-up': 'First draw the pelvic floor up, then move.',
  squeeze: 'Squeeze your seat before you move.',
};

const RIBS = 'Breathe wide, into the sides and the back of the ribs.';

/**
 * What the house says of a rung by its schools, in the order it is spoken; a rung that says something of the kind
 * itself is left its own words. Said to everybody: what goes for whom is a caution's.
 */
export const guidanceFor = (catalog: Catalog, entry: RungEntry): readonly Guidance[] =>
  catalog.worth(entry).remembered(keyOf(catalog.method.choices), () => guidance(catalog, entry));

/** What strays from the choices is remembered by the choices themselves. */
const keys = new WeakMap<Choices, object>();
function keyOf(choices: Choices): object {
  const known = keys.get(choices) ?? {};
  keys.set(choices, known);
  return known;
}

function guidance(catalog: Catalog, entry: RungEntry): Guidance[] {
  const { choices } = catalog.method;
  const { like, rung } = entry;
  const said: Guidance[] = [];
  const legsSeen = like !== 'side-lying' && like !== 'seated' && shapesOf(rung).every(legsLong);
  if (legsSeen) said.push({ school: 'legs', place: 'legs', text: LEG_WORDS[choices.legs] });
  if (rung.phases.some(({ effort }) => effort)) {
    said.push({ school: 'effortBreath', place: 'breath', text: EFFORT_WORDS[choices.effortBreath] });
  }
  if (choices.breathStyle === 'ribs') said.push({ school: 'breathStyle', place: 'breath', text: RIBS });
  if (loadsLowBack(catalog, entry) && !says(entry, ['keep-gap', 'press-back'])) {
    const ask = backAskIn(choices.lowBack, entry, undefined);
    said.push({ school: 'lowBack', place: 'alignment', text: BACK_WORDS[ask ?? 'in-turn'] });
  }
  if (holdsByTheSeat(catalog, entry) && !says(entry, ['soft-seat', 'draw-up', 'squeeze-seat'])) {
    said.push({ school: 'seat', place: 'alignment', text: SEAT_WORDS[choices.seat] });
  }
  return said;
}

const says = ({ rung }: RungEntry, words: readonly Says[]): boolean =>
  (rung.cues ?? []).some(({ text }) => words.some((each) => asksFor(text, each)));

/** N·m of back and seat holding the body, from which the seat is felt. Our estimate. */
const SEAT_LOAD = 15;
const holdsByTheSeat = (catalog: Catalog, entry: RungEntry): boolean =>
  (catalog.measures(entry).load.backMoment ?? 0) >= SEAT_LOAD;
