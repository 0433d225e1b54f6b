import type { Choices } from '../../method';
import type { Catalog, RungEntry } from '../../repertoire';
import { type Guidance, guidanceFor } from '../../school';
import { drafted, type Unnamed } from './line';

/** What is to be kept in each exercise anew; the rest holds from where it was said on. */
const EACH_LADDER: ReadonlySet<Guidance['school']> = new Set<Guidance['school']>(['lowBack', 'seat']);

/** What has been said in a class so far, so that it is not said again. */
export class SaidSoFar {
  readonly #catalog: Catalog;
  readonly #house = new Map<string, string>();
  readonly #ladders = new Set<string>();
  readonly #images = new Set<string>();

  constructor(catalog: Catalog) {
    this.#catalog = catalog;
  }

  /** What the house says that is new with a rung, in the order it is spoken: once a class, or once a ladder, and where it asks for something else. */
  newWith(entry: RungEntry, choices: Choices): readonly Guidance[] {
    return guidanceFor(this.#catalog, entry, choices).filter(({ school, text }) => {
      const about = EACH_LADDER.has(school) ? `${school} ${entry.exercise.id}` : school;
      if (this.#house.get(about) === text) return false;
      this.#house.set(about, text);
      return true;
    });
  }

  /** Whether a block is the first of its ladder. */
  firstOf({ exercise }: RungEntry): boolean {
    if (this.#ladders.has(exercise.id)) return false;
    this.#ladders.add(exercise.id);
    return true;
  }

  /** Whether the image of a rung was that of another block of its ladder already. */
  imageSaid({ exercise, rung }: RungEntry): boolean {
    const image = rung.cues?.find(({ kind }) => kind === 'image');
    if (!image) return false;
    const name = `${exercise.id} ${image.text}`;
    if (this.#images.has(name)) return true;
    this.#images.add(name);
    return false;
  }
}

/** What the house says at one place of a block. */
export const houseLines = (news: readonly Guidance[], place: Guidance['place']): Unnamed[] =>
  news.filter((each) => each.place === place).map(({ text }) => drafted('alignment', text));
