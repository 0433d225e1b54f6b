import { type Choices, chosen, type SchoolId } from '../method/choices';
import type { Catalog, RungEntry } from '../repertoire';
import { isSeated, isUpright, liesOnSide } from '../vocabulary/bodies/position';
import { backAskIn, drawnAgainst, loadsLowBack, shapesOf } from './lowBack';
import { legsLong, legsTurned } from './strays';
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

/** Toes point ahead of nobody who lies. */
const LEGS_LYING = 'Legs parallel, kneecaps facing the way the hips face.';

const SEAT_WORDS: Readonly<Record<Choices['seat'], string>> = {
  soft: 'Seat soft and wide.',
  'drawn-up': 'First draw the pelvic floor up, then move.',
  squeeze: 'Squeeze your seat before you move.',
};

const RIBS = 'Breathe wide, into the sides and the back of the ribs.';

/**
 * What is said of a rung by the schools, in the order it is spoken: only what is true of the rung as it is drawn and
 * breathed, and nothing that it says itself. Said to everybody: what goes for whom is a caution's.
 * @param choices what is chosen here; the rung's own choices come before them
 */
export function guidanceFor(catalog: Catalog, entry: RungEntry, choices: Choices): readonly Guidance[] {
  const own = chosen(choices, entry.rung.choices);
  return catalog.worth(entry).remembered(keyOf(own), () => guidance(catalog, entry, own));
}

/** What strays from the choices is remembered by the choices themselves. */
const keys = new WeakMap<Choices, object>();
function keyOf(choices: Choices): object {
  const known = keys.get(choices) ?? {};
  keys.set(choices, known);
  return known;
}

function guidance(catalog: Catalog, entry: RungEntry, choices: Choices): Guidance[] {
  const { like, rung } = entry;
  const said: Guidance[] = [];
  const legsSeen = !liesOnSide(like) && !isSeated(like) && shapesOf(rung).every(legsLong);
  if (legsSeen && !legsTurned(entry, choices.legs)) {
    const text = choices.legs === 'parallel' && !isUpright(like) ? LEGS_LYING : LEG_WORDS[choices.legs];
    said.push({ school: 'legs', place: 'legs', text });
  }
  if (effortIsSaid(catalog, entry, choices.effortBreath)) {
    said.push({ school: 'effortBreath', place: 'breath', text: EFFORT_WORDS[choices.effortBreath] });
  }
  const breathes = (breath: string) => rung.phases.some((phase) => phase.breath === breath);
  if (choices.breathStyle === 'ribs' && breathes('in') && breathes('out')) {
    said.push({ school: 'breathStyle', place: 'breath', text: RIBS });
  }
  if (loadsLowBack(catalog, entry)) {
    const ask = backAskIn(choices.lowBack, entry, undefined);
    const against = ask !== null && drawnAgainst(entry, ask);
    if (!against && !says(entry, ask === null ? ['keep-gap', 'press-back'] : [ask])) {
      said.push({ school: 'lowBack', place: 'alignment', text: BACK_WORDS[ask ?? 'in-turn'] });
    }
  }
  const seated: Says = SEAT_SAYS[choices.seat];
  // A seat that holds the body up is not told to be soft, and one that does not is not told to work.
  const here = choices.seat === 'soft' ? loadsLowBack(catalog, entry) : holdsByTheSeat(catalog, entry);
  if (here && !says(entry, [seated])) {
    said.push({ school: 'seat', place: 'alignment', text: SEAT_WORDS[choices.seat] });
  }
  return said;
}

const SEAT_SAYS: Readonly<Record<Choices['seat'], Says>> = {
  soft: 'soft-seat',
  'drawn-up': 'draw-up',
  squeeze: 'squeeze-seat',
};

/** Whether what the house says of the breath is true of every effort of a rung, as it is meant there. */
function effortIsSaid(catalog: Catalog, entry: RungEntry, choice: Choices['effortBreath']): boolean {
  const { phases, start } = entry.rung;
  const efforts = phases.filter(({ effort }) => effort);
  if (choice === 'natural') return efforts.length > 0 && phases.every(({ breath }) => breath !== 'hold');
  if (efforts.length === 0 || efforts.some(({ breath }) => breath !== 'out')) return false;
  if (choice === 'out') return true;
  // Lowered on the in-breath, and brought back on the out-breath.
  const lowers = phases.some(({ breath, pose, effort }) => breath === 'in' && pose !== start && !effort);
  return lowers && loadsLowBack(catalog, entry);
}

const says = ({ rung }: RungEntry, words: readonly Says[]): boolean =>
  (rung.cues ?? []).some(({ text }) => words.some((each) => asksFor(text, each)));

/** N·m of back and seat holding the body, from which the seat is felt. Our estimate. */
const SEAT_LOAD = 15;
const holdsByTheSeat = (catalog: Catalog, entry: RungEntry): boolean =>
  (catalog.measures(entry).load.backMoment ?? 0) >= SEAT_LOAD;
