import type { TimedBlock } from '../../../plan';
import { inTurn, type ScriptSection } from '../../../script';
import type { Side } from '../../../vocabulary/bodies/side';
import type { CueKind } from '../../../vocabulary/words/cue';
import type { Found } from '../aligning/align';
import { within } from '../aligning/layAlong';
import type { TakenBlock } from '../take';
import { type HeardWord, stemOf, tokensOf } from './words';

/** Kinds of cues that were said: of one of its lines at least half of the words that tell something. */
export function kindsIn(
  all: readonly HeardWord[],
  { lines }: ScriptSection,
  found: Found,
): { said: CueKind[]; unsaid: CueKind[] } {
  const heard = new Set(within(all, found.start - 2, found.end + 2).map(({ stem }) => stem));
  const kinds = new Map<CueKind, boolean>();
  for (const { kind, text, said, source } of lines) {
    if (!said || kind === 'note' || (source === 'drafted' && kind === 'count')) continue;
    const telling = tokensOf(text)
      .filter((word) => word.length > 3)
      .map(stemOf);
    const known = telling.filter((stem) => heard.has(stem)).length;
    const was = telling.length > 0 && known * 2 >= telling.length;
    kinds.set(kind, (kinds.get(kind) ?? false) || was);
  }
  const of = (was: boolean) => [...kinds].flatMap(([kind, each]) => (each === was ? [kind] : []));
  return { said: of(true), unsaid: of(false) };
}

/** The side that was named before the effort, where only one was; else the one planned. */
export function firstSideIn(all: readonly HeardWord[], { firstSide }: TimedBlock, { start, work }: Found): Side | null {
  if (firstSide === null) return null;
  const named = within(all, start - 3, work).map(({ text }) => text);
  const [left, right] = [
    named.filter((word) => word === 'left').length,
    named.filter((word) => word === 'right').length,
  ];
  // “right” is said for much else: it counts where the planned side is not named at all.
  if (firstSide === 'right' && left > 0 && right === 0) return 'left';
  if (firstSide === 'left' && right > 1 && left === 0) return 'right';
  return firstSide;
}

/** On which breath the effort was called. */
export function breathIn(
  all: readonly HeardWord[],
  { lines }: ScriptSection,
  found: readonly Found[],
): TakenBlock['effortBreath'] {
  const { actions } = inTurn(lines);
  let [by, against] = [0, 0];
  for (const { work, end } of found) {
    const spoken = within(all, work, end);
    spoken.forEach(({ text }, i) => {
      const breath = breathAt(text, spoken[i + 1]?.text);
      if (!breath) return;
      const after = spoken.slice(i + 1, i + 9).map(({ stem }) => stem);
      const nearest = nearestAction(actions, after);
      const phase = nearest?.phase;
      if (!phase || !(phase.effort ?? false)) return;
      if (phase.breath === breath) by += 1;
      else against += 1;
    });
  }
  return { with: by, against };
}

/** “in”, “out” as a breath that is called; `null` for other words. */
function breathAt(word: string, next: string | undefined): 'in' | 'out' | null {
  if (word === 'inhale') return 'in';
  if (word === 'exhale') return 'out';
  if (word !== 'breathe' && word !== 'breath') return null;
  return next === 'in' || next === 'out' ? next : null;
}

function nearestAction<T extends { readonly text: string }>(actions: readonly T[], stems: readonly string[]): T | null {
  const own = new Set(stems);
  let [best, most]: [T | null, number] = [null, 0];
  for (const action of actions) {
    const shared = tokensOf(action.text).filter((word) => word.length > 3 && own.has(stemOf(word))).length;
    if (shared > most) [best, most] = [action, shared];
  }
  return best;
}
