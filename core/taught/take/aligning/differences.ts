import type { TimedClass } from '../../../plan';
import { clock, spell, titleOf } from '../../../review';
import type { Added, TakenBlock } from '../take';
import type { Difference } from './difference';

interface Found {
  /** When the take ended. */
  readonly seconds: number;
  readonly blocks: readonly TakenBlock[];
  readonly missed: readonly string[];
  readonly moved: readonly string[];
  readonly added: readonly Added[];
}

/** Seconds by which an end, and a way, have to differ to be told. */
const [TOLD_END, TOLD_WAY] = [60, 30];

/** Seconds, and share of what was planned, from which a length is told. */
const [TOLD_SECONDS, TOLD_SHARE] = [15, 0.3];

/** Calls on the other breath from which it is told: fewer may be misheard. */
const TOLD_BREATHS = 3;

/** Where plan and take differ, in plain sentences. */
export function differencesIn(
  { sequence, seconds: planned }: TimedClass,
  { seconds, blocks, missed, moved, added }: Found,
): Difference[] {
  const found: Difference[] = [];
  const say = (code: Difference['code'], ids: readonly string[], message: string) =>
    found.push({ code, ids, severity: 'look', message });
  const name = (id: string) => {
    const part = sequence.find(({ block }) => block.id === id);
    return part ? titleOf(part) : id;
  };
  const late = seconds - planned;
  if (Math.abs(late) > TOLD_END) {
    say(
      'ENDED_OTHER',
      [],
      `It ended at ${clock(seconds)}, ${spell(Math.abs(late))} ${late > 0 ? 'later' : 'sooner'} than planned.`,
    );
  }
  // The way to a block, where the one before it in the plan was done just before it.
  sequence.forEach((part, i) => {
    const before = sequence[i - 1];
    const [from, to] = [before, part].map((each) => blocks.find(({ id }) => id === each?.block.id));
    if (!before || !from || !to || from.passes.length > 1) return;
    const way = to.startSeconds - from.endSeconds;
    const meant = part.change.seconds + (before.kind === 'block' ? before.rest : 0);
    if (way - meant < TOLD_WAY) return;
    const at = clock(from.endSeconds);
    say(
      'WAY_OTHER',
      [part.block.id],
      `Before ${name(part.block.id)}, from ${at}: ${spell(way)}, ${spell(meant)} planned.`,
    );
  });
  for (const id of missed) say('BLOCK_MISSED', [id], `${name(id)} was left out.`);
  for (const id of moved) {
    const at = blocks.find((each) => each.id === id)?.startSeconds ?? 0;
    say('BLOCK_MOVED', [id], `${name(id)} was taught at ${clock(at)}, in another place than planned.`);
  }
  for (const { startSeconds, rung } of added) {
    say(
      'BLOCK_ADDED',
      [],
      `At ${clock(startSeconds)} something was done that is not in the plan${rung ? `, most like ${rung}` : ''}.`,
    );
  }
  for (const part of sequence) {
    const taken = blocks.find(({ id }) => id === part.block.id);
    if (!taken || part.kind !== 'block') continue;
    const ids = [part.block.id];
    const title = titleOf(part);
    const counted = Object.values(taken.reps ?? {});
    if (new Set(counted).size > 1)
      say('SIDES_OTHER', ids, `${title}: ${taken.reps?.left} on the left, ${taken.reps?.right} on the right.`);
    else if (counted[0] !== undefined && Math.abs(counted[0] - part.reps) >= 1)
      say('REPS_OTHER', ids, `${title}: ${counted[0]} times, ${part.reps} planned.`);
    if (taken.firstSide !== part.firstSide)
      say('FIRST_SIDE_OTHER', ids, `${title}: begun on the ${taken.firstSide}, planned on the ${part.firstSide}.`);
    const setup = part.setup + part.options - part.second.setup;
    if (isFar(taken.setupSeconds, setup))
      say('SETUP_OTHER', ids, `${title}: ${spell(taken.setupSeconds)} of set-up, ${spell(setup)} planned.`);
    if (isFar(taken.workSeconds, part.work))
      say('WORK_OTHER', ids, `${title}: ${spell(taken.workSeconds)} of work, ${spell(part.work)} planned.`);
    if (taken.unsaid.includes('safety')) say('SAFETY_UNHEARD', ids, `${title}: its safety line was not heard.`);
    const { with: by, against } = taken.effortBreath;
    if (against > by && against >= TOLD_BREATHS)
      say(
        'BREATH_OTHER',
        ids,
        `${title}: the effort was called on the other breath, ${against} of ${by + against} times.`,
      );
  }
  return found;
}

const isFar = (taken: number, planned: number): boolean =>
  Math.abs(taken - planned) >= TOLD_SECONDS && Math.abs(taken - planned) >= TOLD_SHARE * planned;
