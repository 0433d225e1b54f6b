import { judge } from '../../caution';
import { applyEdit, type Block, type ClassPlan, isInterlude, type RungBlock, repsRangeOf, timeClass } from '../../plan';
import { type Catalog, type RungEntry, usesOf } from '../../repertoire';
import { type ClassMeasure, measureClass, type ReviewContext } from '../../review';
import { type Chance, shuffled } from '../../vocabulary/chance';

/** A way to spoil a class that its director would teach; `null` where the class has nothing of the kind to spoil. */
export type Spoil = (ground: Ground, chance: Chance) => ClassPlan | null;

interface Ground {
  readonly catalog: Catalog;
  readonly plan: ClassPlan;
  readonly context: ReviewContext;
  readonly measure: ClassMeasure;
}

export const groundOf = (catalog: Catalog, plan: ClassPlan, context: ReviewContext): Ground => ({
  catalog,
  plan,
  context,
  measure: measureClass(catalog, plan, context),
});

const CONNECTS = new Set<string>(['breath', 'pelvis', 'spine']);

const rungBlocks = ({ blocks }: ClassPlan): RungBlock[] =>
  blocks.filter((block): block is RungBlock => !isInterlude(block));

/** The class with other blocks; runs and chains that no longer hold are let go, as an edit by hand would. */
const withBlocks = ({ catalog, plan }: Ground, blocks: readonly Block[]): ClassPlan =>
  applyEdit(catalog, { ...plan, blocks: [...blocks] }, { kind: 'class', change: {} });

const swapped = ({ id, mode }: RungBlock, { exercise, rung }: RungEntry): RungBlock => ({
  id,
  exercise: exercise.id,
  rung: rung.id,
  mode,
});

/** Rungs that ask nothing of anybody in the room and need nothing it has not. */
function fineIn({ catalog, measure: { subject } }: Ground): RungEntry[] {
  const { graded, audience } = subject;
  return catalog.rungs.filter(
    (entry) =>
      entry.props.every(({ id, large }) => (audience?.equipment ? audience.equipment.includes(id) : !large)) &&
      judge(catalog, entry, graded).verdict === 'fine',
  );
}

/** Brought back to so many seconds by its repetitions, within each rung's range: what is spoilt is not told by the clock. */
function lasting({ catalog, context }: Ground, plan: ClassPlan, seconds: number): ClassPlan {
  let now = plan;
  for (let step = 0; step < 300; step++) {
    const timed = timeClass(catalog, now, context);
    const short = seconds - timed.seconds;
    if (Math.abs(short) < 10) break;
    const more = short > 0;
    const open = timed.blocks
      .filter(({ shown }) => !shown)
      .map((block) => {
        const [least, most] = repsRangeOf(block.entry.rung);
        return {
          block,
          share: (block.reps - least) / Math.max(1, most - least),
          room: more ? block.reps < most : block.reps > least,
        };
      })
      .filter(({ room }) => room)
      .sort((a, b) => (more ? a.share - b.share : b.share - a.share));
    const first = open[0];
    if (!first) break;
    const { id } = first.block.block;
    const reps = Math.round(first.block.reps) + (more ? 1 : -1);
    now = applyEdit(catalog, now, { kind: 'dose', id, dose: { reps } });
    if (timeClass(catalog, now, context).seconds === timed.seconds) break;
  }
  return now;
}

const same = (a: ClassPlan, b: ClassPlan): boolean => JSON.stringify(a.blocks) === JSON.stringify(b.blocks);

/** Ten ways to spoil a class, each by chance. */
const SPOILS = {
  shuffled: (ground, chance) => withBlocks(ground, shuffled(ground.plan.blocks, chance)),

  flattened: (ground) => {
    const { catalog, plan } = ground;
    const fine = new Set(fineIn(ground));
    const lowest = (block: RungBlock) => catalog.ladder(block.exercise).find((entry) => fine.has(entry));
    const blocks = plan.blocks.map((block) => {
      if (isInterlude(block)) return block;
      const entry = lowest(block);
      const { carry, run } = block;
      return entry
        ? { ...swapped(block, entry), ...(carry === undefined ? {} : { carry }), ...(run ? { run } : {}) }
        : block;
    });
    return withBlocks(ground, blocks);
  },

  'chains broken': (ground) => {
    const { blocks } = ground.measure.timed;
    if (!blocks.some(({ carries }) => carries)) return null;
    return withBlocks(
      ground,
      ground.plan.blocks.map((block) => (isInterlude(block) ? block : { ...block, carry: false })),
    );
  },

  'connection last': (ground, chance) => {
    const { timed } = ground.measure;
    const span = timed.seconds - timed.parts.opening - timed.parts.closing;
    const connects = timed.blocks.filter(({ entry }) => usesOf(entry).goodFor.some((use) => CONNECTS.has(use)));
    const early = connects.filter(({ startSeconds }) => startSeconds <= timed.parts.opening + 0.3 * span);
    if (early.length === 0) return null;
    const ids = new Set(early.map(({ block }) => block.id));
    const rest = ground.plan.blocks.filter(({ id }) => !ids.has(id));
    const moved = ground.plan.blocks.filter(({ id }) => ids.has(id));
    return withBlocks(ground, [...rest, ...(chance.share() < 0.5 ? moved : shuffled(moved, chance))]);
  },

  'peak moved': (ground, chance) => {
    const { subject } = ground.measure;
    const at = subject.heats.lastIndexOf(subject.hottest);
    const peak = subject.done[at];
    if (!peak) return null;
    const { blocks } = ground.plan;
    const rest = blocks.filter(({ id }) => id !== peak.block.id);
    const to = chance.share() < 0.5 ? chance.below(Math.max(1, Math.floor(rest.length / 4))) : rest.length;
    return withBlocks(ground, rest.toSpliced(to, 0, peak.block));
  },

  'half exchanged': (ground, chance) => {
    const { catalog, plan } = ground;
    const fine = fineIn(ground);
    const half = new Set(shuffled(rungBlocks(plan), chance).slice(0, Math.ceil(rungBlocks(plan).length / 2)));
    const blocks = plan.blocks.map((block) => {
      if (isInterlude(block) || !half.has(block)) return block;
      const own = catalog.rung(block) as RungEntry;
      const like = fine.filter(
        (entry) =>
          entry.position === own.position &&
          entry.exercise !== own.exercise &&
          Math.abs(catalog.heat(entry) - catalog.heat(own)) <= 5,
      );
      return like.length > 0 ? swapped(block, chance.one(like)) : block;
    });
    return withBlocks(ground, blocks);
  },

  'runs split': (ground) => {
    if (!rungBlocks(ground.plan).some(({ run }) => run)) return null;
    const blocks = ground.plan.blocks.map((block) => {
      if (isInterlude(block)) return block;
      const { run: _run, ...alone } = block;
      return alone;
    });
    return withBlocks(ground, blocks);
  },

  'props added': (ground, chance) => {
    const { catalog, plan } = ground;
    const withProps = catalog.rungs.filter(({ props }) => props.length > 0);
    const open = shuffled(rungBlocks(plan), chance);
    const changed = new Map<string, RungBlock>();
    for (const block of open) {
      if (changed.size >= 5) break;
      const own = catalog.rung(block) as RungEntry;
      if (own.props.length > 0) continue;
      const like = withProps.filter(
        (entry) => entry.position === own.position && Math.abs(catalog.heat(entry) - catalog.heat(own)) <= 10,
      );
      if (like.length > 0) changed.set(block.id, swapped(block, chance.one(like)));
    }
    if (changed.size < 3) return null;
    return withBlocks(
      ground,
      plan.blocks.map((block) => changed.get(block.id) ?? block),
    );
  },

  'rests removed': (ground) => {
    const blocks = ground.plan.blocks
      .filter((block) => !isInterlude(block) || block.interlude === 'talk')
      .map((block) => {
        if (isInterlude(block)) return block;
        const { restAfterSeconds: _rest, ...on } = block;
        return on;
      });
    return withBlocks(ground, blocks);
  },

  'an easy list': (ground, chance) => {
    const { catalog, plan, measure, context } = ground;
    const { hottest } = measure.subject;
    const easy = fineIn(ground).filter((entry) => catalog.heat(entry) <= 0.6 * hottest);
    const picked = shuffled(easy, chance);
    const { seconds } = measure.timed;
    const places = [...new Set(picked.map(({ position }) => position))];
    let list: RungEntry[] = [];
    const planOf = (entries: readonly RungEntry[]) =>
      withBlocks(
        ground,
        places
          .flatMap((place) => entries.filter(({ position }) => position === place))
          .map(({ exercise, rung }, i) => ({ id: `e${i}`, exercise: exercise.id, rung: rung.id, mode: 'teach' })),
      );
    for (const entry of picked) {
      if (timeClass(catalog, planOf([...list, entry]), context).seconds > seconds) break;
      list = [...list, entry];
    }
    return list.length > 0 ? planOf(list) : { ...plan, blocks: [] };
  },
} as const satisfies Record<string, Spoil>;

export type SpoilName = keyof typeof SPOILS;
export const SPOIL_NAMES = Object.keys(SPOILS) as SpoilName[];

/** The class spoilt one way and brought back to its length; `null` where there is nothing of the kind to spoil. */
export function spoilt(ground: Ground, name: SpoilName, chance: Chance): ClassPlan | null {
  const plan = (SPOILS[name] as Spoil)(ground, chance);
  if (!plan || same(plan, ground.plan)) return null;
  return lasting(ground, plan, ground.measure.timed.seconds);
}
