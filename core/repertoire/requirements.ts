import { type Exercise, rungKey } from './exercise';

/**
 * Cycles among the requirements, each as the path of rung keys that closes it (`a/1 → b/2 → a/1`).
 * A rung also stands on the one below it in its own ladder only by heat, not by requirement, so ladders add no edges.
 */
export function requirementCycles(exercises: readonly Exercise[]): string[][] {
  const requires = new Map<string, string[]>();
  for (const exercise of exercises) {
    for (const rung of exercise.rungs) {
      requires.set(rungKey({ exercise: exercise.id, rung: rung.id }), (rung.requires ?? []).map(rungKey));
    }
  }
  const done = new Set<string>();
  const cycles: string[][] = [];
  for (const first of requires.keys()) {
    // An explicit stack: a chain of requirements may be longer than the call stack is deep.
    const path: string[] = [];
    const onPath = new Set<string>();
    const stack: Array<{ key: string; leaving: boolean }> = [{ key: first, leaving: false }];
    for (let top = stack.pop(); top; top = stack.pop()) {
      const { key, leaving } = top;
      if (leaving) {
        path.pop();
        onPath.delete(key);
        done.add(key);
      } else if (onPath.has(key)) {
        cycles.push([...path.slice(path.indexOf(key)), key]);
      } else if (!done.has(key)) {
        path.push(key);
        onPath.add(key);
        stack.push({ key, leaving: true });
        for (const next of requires.get(key) ?? []) stack.push({ key: next, leaving: false });
      }
    }
  }
  return cycles;
}
