import type { ClassPlan, PlanEdit } from '../plan';

/** Whether edits would take back what an earlier step did: take out what it put in, or put back what it changed. */
export function undoes(
  edits: readonly PlanEdit[],
  after: ClassPlan,
  steps: ReadonlyArray<{ readonly edits: readonly PlanEdit[] }>,
  first: ClassPlan,
): boolean {
  if (steps.length === 0) return false;
  const added = new Set<string>();
  const touched = new Set<string>();
  for (const step of steps) {
    for (const edit of step.edits) {
      if (edit.kind === 'insert') added.add(edit.block.id);
      else if (edit.kind !== 'class') touched.add(edit.id);
    }
  }
  return edits.some((edit) => {
    if (edit.kind === 'class' || edit.kind === 'insert') return false;
    if (added.has(edit.id)) return edit.kind === 'remove' || edit.kind === 'swap';
    if (!touched.has(edit.id)) return false;
    if (edit.kind === 'move')
      return steps.some((step) => step.edits.some((one) => one.kind === 'move' && one.id === edit.id));
    const [was, is] = [first, after].map(({ blocks }) => blocks.find(({ id }) => id === edit.id));
    return was !== undefined && is !== undefined && JSON.stringify(sorted(was)) === JSON.stringify(sorted(is));
  });
}

const sorted = (block: object) => Object.entries(block).sort(([a], [b]) => a.localeCompare(b));
