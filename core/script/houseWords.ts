import type { TimedClass } from '../plan';
import type { Catalog, RungEntry } from '../repertoire';
import { type Guidance, guidanceFor } from '../school';
import type { Unnamed } from './line';

const BEGINNING_WORDS = {
  floor: 'We begin on the floor: feel the breath, and where the pelvis rests.',
  standing: 'We begin standing: both feet heavy, grow tall.',
} as const;

/** What the house says by its schools: once in a class, and again only where it asks for something else. */
export class HouseWords {
  readonly #catalog: Catalog;
  readonly #last = new Map<Guidance['school'], string>();

  constructor(catalog: Catalog) {
    this.#catalog = catalog;
  }

  /** For a class that has no words of its own to begin with, where it begins as the house does. */
  opening({ sequence, plan }: TimedClass): Unnamed[] {
    const { graph, method } = this.#catalog;
    const position = plan.openingPosition ?? sequence[0]?.position;
    if (position === undefined) return [];
    const { begin } = method.choices;
    const standing = graph.like(position) === 'standing';
    if (standing !== (begin === 'standing')) return [];
    return [{ kind: 'setup', text: BEGINNING_WORDS[begin], source: 'drafted', said: true }];
  }

  /** What is new with a rung, in the order it is spoken. */
  newWith(entry: RungEntry): readonly Guidance[] {
    return guidanceFor(this.#catalog, entry).filter(({ school, text }) => {
      if (this.#last.get(school) === text) return false;
      this.#last.set(school, text);
      return true;
    });
  }
}

/** What of it is spoken at one place of a block. */
export const houseLines = (news: readonly Guidance[], place: Guidance['place']): Unnamed[] =>
  news
    .filter((each) => each.place === place)
    .map(({ text }) => ({ kind: 'alignment', text, source: 'drafted', said: true }));
