import type { Change } from '../plan';
import type { Catalog, Prop } from '../repertoire';

const PLACE_WORDS: Readonly<Record<string, string>> = {
  standing: 'standing',
  kneeling: 'kneeling',
  seated: 'sitting',
  'four-point': 'hands and knees',
  plank: 'plank',
  'side-left': 'the left side',
  'side-right': 'the right side',
  prone: 'the front',
  supine: 'the back',
};

const names = (props: readonly Prop[]): string => props.map(({ name }) => name.toLowerCase()).join(' and ');

/** The way from one block to the next in words; `null` when nobody moves and nothing is fetched. */
export function wayBetween(catalog: Catalog, { places, taken, putAway }: Change): string | null {
  const word = (place: string) => PLACE_WORDS[place] ?? catalog.graph.name(place);
  const parts: string[] = [];
  if (putAway.length > 0) parts.push(`put away the ${names(putAway)}`);
  if (taken.length > 0) parts.push(`take the ${names(taken)}`);
  if (places.length > 1) {
    const through = places.slice(1, -1).map(word);
    const to = word(places.at(-1) ?? '');
    parts.push(through.length > 0 ? `go through ${through.join(' and ')} to ${to}` : `go to ${to}`);
  }
  if (parts.length === 0) return null;
  const text = parts.join(', ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
