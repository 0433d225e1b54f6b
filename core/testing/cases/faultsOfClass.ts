import { judge } from '../../caution';
import { applyEdits, type Block, type ClassPlan, isInterlude, type PlanEdit, type RungBlock, repsOf } from '../../plan';
import { type RungEntry, rungKey } from '../../repertoire';
import { type Chance, shuffled } from '../../vocabulary/chance';
import type { groundOf } from './spoils';

type Ground = ReturnType<typeof groundOf>;
/** A mistake put into a sound class; `null` where it has no place for it. */
type Fault = (ground: Ground, chance: Chance) => readonly PlanEdit[] | null;

const rungBlocks = ({ blocks }: ClassPlan): RungBlock[] =>
  blocks.filter((block): block is RungBlock => !isInterlude(block));

const put = (
  ground: Ground,
  chance: Chance,
  entries: readonly RungEntry[],
  change: Partial<RungBlock> = {},
): PlanEdit[] | null => {
  const { plan } = ground;
  const taken = new Set(rungBlocks(plan).map(rungKey));
  const open = entries.filter(({ key }) => !taken.has(key));
  if (open.length === 0) return null;
  const { exercise, rung } = chance.one(open);
  const outside = plan.blocks.filter((block) => isInterlude(block) || block.run === undefined);
  const before = chance.one(outside)?.id ?? null;
  const block: Block = { id: 'wrong', exercise: exercise.id, rung: rung.id, mode: 'teach', ...change };
  return [{ kind: 'insert', before, block }];
};

/** Mistakes of the kinds that directors make, each by chance. */
const FAULTS = {
  'far too long': ({ catalog, plan }, chance) =>
    shuffled(rungBlocks(plan), chance)
      .slice(0, 6)
      .flatMap((block): PlanEdit[] => {
        const entry = catalog.rung(block);
        if (!entry) return [];
        const reps = Math.round(1.7 * (block.dose?.reps ?? repsOf(entry.rung.dose)));
        return [{ kind: 'dose', id: block.id, dose: { reps } }];
      }),
  'far too short': ({ plan, measure }, chance) => {
    const { arc, thread } = measure.subject;
    const keep = new Set([arc?.peak.block.id, ...(thread?.blocks ?? []).map(({ block }) => block.id)]);
    const open = rungBlocks(plan).filter(({ id, run }) => !keep.has(id) && run === undefined);
    return shuffled(open.slice(3), chance)
      .slice(0, Math.ceil(plan.blocks.length / 8))
      .map(({ id }) => ({ kind: 'remove', id }));
  },
  'one side forgotten': ({ catalog, plan }, chance) => {
    const sided = rungBlocks(plan).filter((block) => catalog.rung(block)?.sides === 'each' && block.run === undefined);
    if (sided.length === 0) return null;
    return [{ kind: 'set', id: chance.one(sided).id, change: { side: 'left' } }];
  },
  'too hard for the room': (ground, chance) => {
    const { catalog, measure } = ground;
    const { homeHeat } = measure.subject.limits;
    return put(
      ground,
      chance,
      catalog.rungs.filter((entry) => catalog.heat(entry) > homeHeat + 5 && entry.props.length === 0 && entry.step > 0),
    );
  },
  'not to be done with what they have': (ground, chance) => {
    const { catalog, measure } = ground;
    const { graded } = measure.subject;
    const wrong = catalog.rungs.filter(
      (entry) => entry.props.length === 0 && ['swap', 'clear-first'].includes(judge(catalog, entry, graded).verdict),
    );
    return wrong.length === 0 ? null : put(ground, chance, wrong);
  },
  'before it was learnt': (ground, chance) => {
    const { catalog, measure } = ground;
    const { homeHeat } = measure.subject.limits;
    const { earlier, graded } = measure.subject;
    const early = catalog.rungs.filter(
      (entry) =>
        catalog.heat(entry) <= homeHeat &&
        entry.props.length === 0 &&
        (entry.rung.requires ?? []).some((required) => !earlier.has(rungKey(required))) &&
        judge(catalog, entry, graded).verdict === 'fine',
    );
    return put(ground, chance, early);
  },
  'an endless opening': ({ plan }) => [
    { kind: 'class', change: { openingSeconds: Math.round(plan.targetMinutes * 60 * 0.22) } },
  ],
  'up and down again': (ground, chance) => {
    const standing = ground.catalog.rungs.filter(
      (entry) => entry.position === 'standing' && ground.catalog.heat(entry) < 20 && entry.props.length === 0,
    );
    const { blocks } = ground.plan;
    const outside = blocks.filter((block) => isInterlude(block) || block.run === undefined);
    return shuffled(outside.slice(4), chance)
      .slice(0, 3)
      .flatMap(({ id }, i): PlanEdit[] => {
        const { exercise, rung } = chance.one(standing);
        return [
          { kind: 'insert', before: id, block: { id: `up-${i}`, exercise: exercise.id, rung: rung.id, mode: 'teach' } },
        ];
      });
  },
} as const satisfies Record<string, Fault>;
export type FaultName = keyof typeof FAULTS;
export const FAULT_NAMES = Object.keys(FAULTS) as FaultName[];

/** A class with a mistake in it; `null` where it has no place for it. */
export function withFault(ground: Ground, name: FaultName, chance: Chance): ClassPlan | null {
  const edits = (FAULTS[name] as Fault)(ground, chance);
  return edits && edits.length > 0 ? applyEdits(ground.catalog, ground.plan, edits) : null;
}
