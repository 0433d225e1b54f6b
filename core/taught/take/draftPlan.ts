import type { Block, ClassPlan } from '../../plan';
import type { Catalog, RungEntry } from '../../repertoire';
import type { ReadCue } from './hearing/captions';
import { repsCounted } from './hearing/counted';
import { RungWords } from './hearing/rungWords';
import { type HeardWord, heardIn } from './hearing/words';

/** A plan read out of captions that have none. */
export interface DraftPlan {
  readonly class: ClassPlan;
  readonly blocks: ReadonlyArray<{
    readonly startSeconds: number;
    readonly seconds: number;
    readonly rung: string | null;
    readonly confidence: number;
    readonly words: number;
  }>;
  /** What no rung of the repertoire speaks of. */
  readonly unknown: ReadonlyArray<{
    readonly startSeconds: number;
    readonly endSeconds: number;
    readonly text: string;
  }>;
}

/** What going over to another rung costs, in what words tell; and to what nobody knows. */
const [GOING_OVER, TO_UNKNOWN] = [9, 7];
/** What a word that a rung does not have counts against it. */
const FOREIGN = 0.45;
/** Seconds a block lasts at least: what is shorter is a word in passing. */
const SHORTEST = 15;
/** How sure of a rung one has to be for it to be a block and not an interlude. */
const SURE = 0.25;

/** One stretch of words that speak of one thing. */
interface Stretch {
  readonly entry: RungEntry | null;
  readonly words: readonly HeardWord[];
}

/**
 * A class read out of captions: what each stretch speaks of among the rungs there are, and what no rung does as
 * interludes with their seconds.
 */
export function draftPlan(catalog: Catalog, cues: readonly ReadCue[], id: string): DraftPlan {
  const words = heardIn(cues);
  const end = cues.at(-1)?.to ?? 0;
  const rungs = new RungWords(catalog);
  const stretches = joined(stretchesOf(rungs, words));
  const starts = stretches.map(({ words: own }) => own[0]?.at ?? 0);
  const told = stretches.map((stretch, i) => {
    const startSeconds = starts[i] as number;
    const until = starts[i + 1] ?? end;
    const { entry, confidence } = stretch.entry ? rungs.nearest(stretch.words) : { entry: null, confidence: 0 };
    const known = entry && confidence >= SURE ? entry : null;
    return { ...stretch, entry: known, confidence, startSeconds, seconds: until - startSeconds };
  });
  const first = told.findIndex(({ entry }) => entry !== null);
  const body = first < 0 ? [] : told.slice(first);
  const opening = Math.round(body[0]?.startSeconds ?? end);
  const blocks = body.map(({ entry, words: own, startSeconds, seconds }, i): Block => {
    const name = `b${i + 1}`;
    if (!entry) return { id: name, interlude: 'talk', name: 'Not known', seconds: Math.round(Math.min(3600, seconds)) };
    const { dose } = entry.rung;
    const reps = repsCounted(
      own,
      startSeconds,
      startSeconds + seconds,
      Math.max(2, seconds / (dose.reps * 1.5)),
      dose.reps,
    );
    const alternates = entry.sides === 'alternate' && reps !== null && reps > dose.reps * 1.5;
    const counted = reps === null ? null : Math.max(1, alternates ? Math.round(reps / 2) : reps);
    return {
      id: name,
      exercise: entry.exercise.id,
      rung: entry.rung.id,
      mode: 'teach',
      ...(counted === null ? {} : { dose: { reps: counted } }),
    };
  });
  return {
    class: {
      id,
      name: 'Read from captions',
      delivery: 'group',
      targetMinutes: Math.max(1, Math.min(240, Math.round(end / 60))),
      openingSeconds: Math.min(3600, opening),
      closingSeconds: 0,
      blocks,
    },
    blocks: told.map(({ entry, confidence, startSeconds, seconds, words: own }) => ({
      startSeconds,
      seconds,
      rung: entry?.key ?? null,
      confidence,
      words: own.length,
    })),
    unknown: told.flatMap(({ entry, startSeconds, seconds, words: own }) =>
      entry ? [] : [{ startSeconds, endSeconds: startSeconds + seconds, text: own.map(({ text }) => text).join(' ') }],
    ),
  };
}

/** Words by what they most likely speak of, all of them at once: going over costs, and so does what a rung does not say. */
function stretchesOf(rungs: RungWords, words: readonly HeardWord[]): Stretch[] {
  const { entries } = rungs;
  const unknown = entries.length;
  let best = new Float64Array(unknown + 1);
  const from: Int16Array[] = [];
  for (const word of words) {
    let top = 0;
    for (let r = 1; r <= unknown; r++) if ((best[r] as number) > (best[top] as number)) top = r;
    const next = new Float64Array(unknown + 1);
    const source = new Int16Array(unknown + 1);
    const rare = rungs.rare(word.stem);
    for (let r = 0; r <= unknown; r++) {
      const over = (best[top] as number) - (r === unknown ? TO_UNKNOWN : GOING_OVER);
      const stays = (best[r] as number) >= over;
      source[r] = stays ? r : top;
      const tells = r === unknown || rare === 0 ? 0 : rungs.has(r, word.stem) ? rare : -FOREIGN;
      next[r] = (stays ? (best[r] as number) : over) + tells;
    }
    best = next;
    from.push(source);
  }
  const found: Stretch[] = [];
  let at = best.indexOf(Math.max(...best));
  let own: HeardWord[] = [];
  for (let i = words.length - 1; i >= 0; i--) {
    own.unshift(words[i] as HeardWord);
    const before = from[i]?.[at] as number;
    if (before !== at || i === 0) {
      found.unshift({ entry: entries[at] ?? null, words: own });
      own = [];
      at = before;
    }
  }
  return found;
}

/** Stretches of one exercise beside one another as one; what is too short goes with the one before. */
function joined(stretches: readonly Stretch[]): Stretch[] {
  const made: Stretch[] = [];
  stretches.forEach((stretch, i) => {
    const last = made.at(-1);
    const begins = stretch.words[0]?.at ?? 0;
    const ends = stretches[i + 1]?.words[0]?.at ?? stretch.words.at(-1)?.at ?? begins;
    if (last && (last.entry === stretch.entry || ends - begins < SHORTEST)) {
      made[made.length - 1] = { ...last, words: [...last.words, ...stretch.words] };
    } else made.push(stretch);
  });
  return made;
}
