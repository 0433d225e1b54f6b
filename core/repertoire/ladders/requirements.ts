import { type Exercise, rungKey } from '../exercise';

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

/** What stands on what among the rungs: which come first, which follow, and the longest way up. */
export class RequirementGraph {
  readonly #needs = new Map<string, readonly string[]>();
  readonly #unlocks = new Map<string, string[]>();
  readonly #chains = new Map<string, readonly string[]>();

  /** @param exercises without a cycle among their requirements (`requirementCycles` is empty) */
  constructor(exercises: readonly Exercise[]) {
    for (const exercise of exercises) {
      for (const rung of exercise.rungs) {
        const key = rungKey({ exercise: exercise.id, rung: rung.id });
        const needs = (rung.requires ?? []).map(rungKey);
        this.#needs.set(key, needs);
        for (const need of needs) this.#unlocks.set(need, [...(this.#unlocks.get(need) ?? []), key]);
      }
    }
  }

  /** Rungs that require this one. */
  unlocks(key: string): readonly string[] {
    return this.#unlocks.get(key) ?? [];
  }

  /** Everything that must come before a rung, in an order in which it can be taught. */
  before(key: string): string[] {
    const order: string[] = [];
    const seen = new Set([key]);
    const stack = [{ key, leaving: false }];
    for (let top = stack.pop(); top; top = stack.pop()) {
      if (top.leaving) {
        order.push(top.key);
        continue;
      }
      stack.push({ key: top.key, leaving: true });
      for (const need of this.#needs.get(top.key) ?? []) {
        if (seen.has(need)) continue;
        seen.add(need);
        stack.push({ key: need, leaving: false });
      }
    }
    return order.slice(0, -1);
  }

  /** The longest chain of requirements that ends in a rung, itself last. */
  chain(key: string): readonly string[] {
    for (const each of [...this.before(key), key]) {
      if (this.#chains.has(each)) continue;
      const chains = (this.#needs.get(each) ?? []).map((need) => this.#chains.get(need) ?? [need]);
      const longest = chains.reduce<readonly string[]>((a, b) => (b.length > a.length ? b : a), []);
      this.#chains.set(each, [...longest, each]);
    }
    return this.#chains.get(key) ?? [key];
  }

  /** The longest chain of all; empty when there are no rungs. */
  longestChain(): readonly string[] {
    return [...this.#needs.keys()].reduce<readonly string[]>((longest, key) => {
      const chain = this.chain(key);
      return chain.length > longest.length ? chain : longest;
    }, []);
  }
}
