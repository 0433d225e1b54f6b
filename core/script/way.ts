import type { Change } from '../plan';
import type { Catalog, Prop } from '../repertoire';

/** How people get into each place, as a teacher says it. */
const INTO: Readonly<Record<string, string>> = {
  standing: 'stand up',
  kneeling: 'kneel up',
  seated: 'sit',
  'four-point': 'come onto hands and knees',
  plank: 'step back into a plank',
  'side-left': 'roll onto your left side',
  'side-right': 'roll onto your right side',
  prone: 'roll onto your front',
  supine: 'lie on your back',
};
/** From these no roll leads onto the front: people lie down on it. */
const ABOVE_FRONT: ReadonlySet<string> = new Set(['four-point', 'plank', 'kneeling', 'standing', 'seated']);

/** What stands where it stands: people go to it, and away from it. */
const FIXED = /\b(?:wall|carriage|bench|box|chair)\b/i;

const names = (props: readonly Prop[]): string => props.map(({ name }) => name.toLowerCase()).join(' and ');

/** Both kinds of prop, each in its own words. */
function propWords(props: readonly Prop[], movable: string, fixed: string): string[] {
  const [stands, moves] = [props.filter(({ name }) => FIXED.test(name)), props.filter(({ name }) => !FIXED.test(name))];
  return [
    ...(stands.length > 0 ? [`${fixed} the ${names(stands)}`] : []),
    ...(moves.length > 0 ? [`${movable} the ${names(moves)}`] : []),
  ];
}

/**
 * The way from one block to the next as it is said; `null` when nobody moves and nothing is fetched.
 * @example 'Put away the roller, sit, then lie on your back.'
 */
export function wayBetween(catalog: Catalog, { places, taken, putAway }: Change): string | null {
  const into = (place: string, from: string | undefined): string => {
    if (place === 'prone' && from !== undefined && ABOVE_FRONT.has(from)) return 'lie on your front';
    return INTO[place] ?? `go to ${catalog.graph.name(place)}`;
  };
  const moves = places.length > 1 ? places.slice(1).map((place, i) => into(place, places[i])) : [];
  const parts = [
    ...propWords(putAway, 'put away', 'leave'),
    ...propWords(taken, 'take', 'go to'),
    ...(moves.length > 0 ? [moves.join(', then ')] : []),
  ];
  if (parts.length === 0) return null;
  const text = parts.join(', ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
