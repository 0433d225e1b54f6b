import { inTurn, type ScriptSection } from '../../../script';
import { type HeardWord, heardWord, numberOf, tokensOf } from './words';

/** Parts of a stretch that sound otherwise: the way to it, what is said before the effort, and the effort. */
export const PARTS = ['way', 'setup', 'work'] as const;
export type Part = (typeof PARTS)[number];

/** How much of what is said in a part is its own words, the rest being of the class as a whole. */
const OWN = 0.6;
/** What sounds alike tells half as much as the word itself. */
const BY_SOUND = 0.5;
/** A number is rather counted in the effort than said before it. */
const NUMBER = { way: -0.1, setup: -0.1, work: 0.15 } as const;
/** How much a line's words tell of a part: its own kind most, what the script has elsewhere in the same stretch a little. */
const WEIGHTS = { title: 2, own: 1, action: 2, elsewhere: 0.3 } as const;

/** Words of a part, by stem and by sound, each with how much it weighs. */
interface Bag {
  readonly stems: Map<string, number>;
  readonly sounds: Map<string, number>;
  all: number;
}

/** What the words of captions tell about where in a class they were said. */
export class Evidence {
  readonly #bags: ReadonlyArray<Readonly<Record<Part, Bag>>>;
  readonly #whole: Bag;

  constructor(sections: readonly ScriptSection[]) {
    this.#bags = sections.map((section, i) => bagsOf(section, sections[i - 1]));
    this.#whole = emptyBag();
    for (const bags of this.#bags) {
      for (const part of PARTS) {
        for (const [stem, weight] of bags[part].stems)
          this.#whole.stems.set(stem, (this.#whole.stems.get(stem) ?? 0) + weight);
        for (const [sound, weight] of bags[part].sounds)
          this.#whole.sounds.set(sound, (this.#whole.sounds.get(sound) ?? 0) + weight);
        this.#whole.all += bags[part].all;
      }
    }
  }

  /** How much likelier a word is in a part of a stretch than anywhere in the class, as a logarithm; 0 for a word that tells nothing. */
  of(section: number, part: Part, word: HeardWord): number {
    if (numberOf(word.text) !== null) return NUMBER[part];
    const bag = (this.#bags[section] as Record<Part, Bag>)[part];
    const byStem = this.#whole.stems.get(word.stem);
    if (byStem !== undefined) return ratio(bag.stems.get(word.stem) ?? 0, bag.all, byStem, this.#whole.all);
    const bySound = word.sound === '' ? undefined : this.#whole.sounds.get(word.sound);
    if (bySound === undefined) return 0;
    return BY_SOUND * ratio(bag.sounds.get(word.sound) ?? 0, bag.all, bySound, this.#whole.all);
  }
}

/** How much of what only a few stretches say was heard of one, from 0 to 1; 1 where it has nothing of its own to say. */
export class Coverage {
  readonly #own: ReadonlyArray<ReadonlyMap<string, number>>;

  constructor(sections: readonly ScriptSection[]) {
    const spread = new Map<string, number>();
    const stems = sections.map(({ lines, title }) => {
      const texts = [title, ...lines.filter(({ said }) => said).map(({ text }) => text)];
      const own = new Set(
        texts
          .flatMap(tokensOf)
          .filter((word) => numberOf(word) === null)
          .map((word) => heardWord(word, 0).stem),
      );
      for (const stem of own) spread.set(stem, (spread.get(stem) ?? 0) + 1);
      return own;
    });
    this.#own = stems.map(
      (own) => new Map([...own].map((stem) => [stem, Math.log(sections.length / (spread.get(stem) as number))])),
    );
  }

  of(section: number, words: readonly HeardWord[]): number {
    const own = this.#own[section] as ReadonlyMap<string, number>;
    const said = new Set(words.map(({ stem }) => stem));
    let [known, all] = [0, 0];
    for (const [stem, rare] of own) {
      all += rare;
      if (said.has(stem)) known += rare;
    }
    return all < LEAST_OWN ? 1 : known / all;
  }
}
/** With less of its own to say a stretch can't be told by it. */
const LEAST_OWN = 6;

function ratio(own: number, all: number, elsewhere: number, whole: number): number {
  const share = all === 0 ? 0 : own / all;
  return Math.log(1 - OWN + (OWN * share * whole) / elsewhere);
}

const emptyBag = (): Bag => ({ stems: new Map(), sounds: new Map(), all: 0 });

function add(bag: Bag, text: string, weight: number): void {
  for (const token of tokensOf(text)) {
    if (numberOf(token) !== null) continue;
    const { stem, sound } = heardWord(token, 0);
    bag.stems.set(stem, (bag.stems.get(stem) ?? 0) + weight);
    if (sound !== '') bag.sounds.set(sound, (bag.sounds.get(sound) ?? 0) + weight);
    bag.all += weight;
  }
}

function bagsOf({ kind, title, lead, lines }: ScriptSection, before: ScriptSection | undefined): Record<Part, Bag> {
  const bags = { way: emptyBag(), setup: emptyBag(), work: emptyBag() };
  const said = lines.filter((line) => line.said);
  if (lead) {
    add(bags.way, lead, WEIGHTS.own);
    add(bags.setup, lead, WEIGHTS.elsewhere);
  }
  for (const { kind: each, text } of before?.lines ?? []) if (each === 'transition') add(bags.way, text, WEIGHTS.own);
  if (kind !== 'block') {
    for (const { text } of said) {
      add(bags.setup, text, WEIGHTS.own);
      add(bags.work, text, WEIGHTS.own);
    }
    if (kind === 'interlude') add(bags.setup, title, WEIGHTS.own);
    return bags;
  }
  const { before: first, actions, during, out } = inTurn(said);
  add(bags.setup, title, WEIGHTS.title);
  add(bags.work, title, WEIGHTS.elsewhere);
  for (const { text } of first) {
    add(bags.setup, text, WEIGHTS.own);
    add(bags.work, text, WEIGHTS.elsewhere);
  }
  for (const { text } of [...actions, ...during]) {
    add(bags.work, text, WEIGHTS.action);
    add(bags.setup, text, WEIGHTS.elsewhere);
  }
  for (const { text } of out) add(bags.work, text, WEIGHTS.elsewhere);
  return bags;
}
