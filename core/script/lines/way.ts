import type { BasePosition, PlaceId } from '../../body';
import type { Change } from '../../plan';
import type { Catalog, Prop } from '../../repertoire';
import { isSeated, liesOnBack } from '../../vocabulary/bodies/position';
import { capital } from '../../vocabulary/words/words';

/** Every way of moving a teacher says, as one list of plain sentences: from where, if it matters, and into where. */
const WAYS: Readonly<Record<string, { readonly any: string } & Readonly<Record<string, string>>>> = {
  standing: { any: 'stand up' },
  kneeling: { any: 'kneel up', standing: 'kneel down' },
  seated: {
    any: 'sit up',
    standing: 'sit down',
    kneeling: 'sit down',
    'four-point': 'sit back',
    'side-left': 'push up with your hands to sit',
    'side-right': 'push up with your hands to sit',
  },
  'four-point': {
    any: 'come onto hands and knees',
    prone: 'push up onto hands and knees',
    plank: 'lower your knees to the floor',
  },
  plank: { any: 'step back into a plank', prone: 'push up into a plank' },
  'side-left': { any: 'roll onto your left side', seated: 'lie down on your left side' },
  'side-right': { any: 'roll onto your right side', seated: 'lie down on your right side' },
  prone: { any: 'lie on your front', 'side-left': 'roll onto your front', 'side-right': 'roll onto your front' },
  supine: { any: 'lie down on your back', 'side-left': 'roll onto your back', 'side-right': 'roll onto your back' },
};

/** How people get onto the back where nobody lies straight down. */
const BACK_BY_SIDE = 'lie down on your side, then roll onto your back';

/** Into a position of the studio’s own, by the shape it is drawn as. */
const INTO_OWN: Readonly<Record<BasePosition, string>> = {
  standing: 'stand at',
  kneeling: 'kneel at',
  seated: 'sit on',
  'four-point': 'come onto hands and knees at',
  plank: 'step into a plank at',
  'side-lying': 'lie on your side on',
  prone: 'lie on your front on',
  supine: 'lie on your back on',
};

/** Where people are, as it is said of a shape that is taken up. */
const WHERE: Readonly<Record<string, string>> = {
  standing: 'standing',
  kneeling: 'kneeling',
  seated: 'sitting',
  'four-point': 'on hands and knees',
  plank: 'in a plank',
  'side-lying': 'lying on your side',
  prone: 'lying on your front',
  supine: 'lying on your back',
};

/** A position as it is said: “lying on your back”, “at the wall”, “on the carriage”. */
export function whereWords({ graph }: Catalog, position: string): string {
  const name = graph.name(position);
  return WHERE[position] ?? (/^(?:on|at|in|kneeling|lying|sitting|standing)\b/.test(name) ? name : `on the ${name}`);
}

/** How high a place is: what stands is fetched up there. */
const HEIGHT: Readonly<Record<BasePosition, number>> = {
  standing: 3,
  kneeling: 2,
  seated: 1,
  plank: 0,
  'four-point': 0,
  'side-lying': 0,
  prone: 0,
  supine: 0,
};

/** What stands where it stands: people go to it, and away from it. */
const FIXED = /\b(?:wall|carriage|bench|box|chair)\b/i;

const names = (props: readonly Prop[]): string => props.map(({ name }) => `the ${name.toLowerCase()}`).join(' and ');

/** What is done with props, those that stand apart from those that are carried. */
function handled(props: readonly Prop[], carried: string, standing: string): string[] {
  const [stands, moves] = [props.filter(({ name }) => FIXED.test(name)), props.filter(({ name }) => !FIXED.test(name))];
  return [
    ...(stands.length > 0 ? [`${standing} ${names(stands)}`] : []),
    ...(moves.length > 0 ? [`${carried} ${names(moves)}`] : []),
  ];
}

const sentence = (words: string): string => `${capital(words)}.`;

/** One thing after another: “sit up, then stand up”. */
const inTurn = (steps: readonly string[]): string =>
  steps.length < 2 ? (steps[0] ?? '') : `${steps.slice(0, -1).join(', ')}, then ${steps.at(-1)}`;

/**
 * The way from one block to the next as it is said; `null` when nobody moves and nothing is fetched. Props are handled
 * where people are upright: before they go down, and after they have come up.
 * @param overSide the room gets up and lies down over the side
 * @example 'Put away the roller. Sit down, then lie down on your back.'
 */
export function wayBetween(catalog: Catalog, { places, taken, putAway }: Change, overSide: boolean): string | null {
  const { graph } = catalog;
  const heightOf = (place: PlaceId | undefined) =>
    place === undefined ? 0 : place.startsWith('side-') ? 0 : HEIGHT[graph.like(place)];
  const ends = [places[0], places.at(-1)];
  const moved = places.length > 1 ? places.slice(1).map((place, i) => step(catalog, places[i], place, overSide)) : [];
  const moving = moved.length > 0 ? [inTurn(moved)] : [];
  const [away, fetched] = [handled(putAway, 'put away', 'leave'), handled(taken, 'take', 'go to')];
  const rises = heightOf(ends[1]) > heightOf(ends[0]);
  // What people lie or sit on is left before anything else can be done.
  const [leave, rest] = [
    away.filter((each) => each.startsWith('leave')),
    away.filter((each) => !each.startsWith('leave')),
  ];
  const steps = rises ? [...moving, ...leave, ...rest, ...fetched] : [...leave, ...rest, ...fetched, ...moving];
  return steps.length === 0 ? null : steps.map(sentence).join(' ');
}

function step(catalog: Catalog, from: PlaceId | undefined, to: PlaceId, overSide: boolean): string {
  const { graph } = catalog;
  const known = WAYS[to];
  if (!known) {
    const name = graph.name(to);
    if (name.startsWith('on ')) return `get on${name.slice(2)}`;
    if (/^(?:at|kneeling|lying|sitting|standing)\b/.test(name)) return `come to ${name.replace(/^at /, '')}`;
    return `${INTO_OWN[graph.like(to)]} the ${name}`;
  }
  if (overSide && liesOnBack(to) && isSeated(from)) return BACK_BY_SIDE;
  return (from === undefined ? undefined : known[from]) ?? known.any;
}
