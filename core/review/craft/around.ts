import type { Subject } from '../subject/subject';
import { minutesOf } from './stays';
import { between, type CraftTerm, fine } from './term';

/** Blocks a minute at which a class is as drawn out, or as rushed, as can be. */
const [DRAWN_OUT, RUSHED] = [0.3, 1.6];

/** Blocks neither rushed nor drawn out. */
export const density: CraftTerm<'density'> = {
  name: 'density',
  measures: 'blocks a minute from the first to the last, as the room counts',
  unit: '',
  weigh: ({ done, room, catalog }) => {
    const { densityLeast, densityMost } = catalog.method.craft;
    const minutes = minutesOf(done);
    if (minutes === 0) return fine(densityLeast);
    const value = (done.length / minutes) * (room.audience?.tempo ?? 1);
    return value < densityLeast
      ? { value, limit: densityLeast, distance: between(value, densityLeast, DRAWN_OUT) }
      : { value, limit: densityMost, distance: between(value, densityMost, RUSHED) };
  },
};

/** Few props. */
export const props: CraftTerm<'props'> = {
  name: 'props',
  measures: 'props taken or put away, held against the length of the class',
  unit: 'times',
  weigh: ({ timed, catalog }) => {
    const { propsTaken, propsHalfHour } = catalog.method.craft;
    const limit = Math.max(propsTaken, (propsHalfHour * timed.plan.targetMinutes) / 30);
    let value = 0;
    for (const { change } of timed.sequence) value += change.taken.length + change.putAway.length;
    return { value, limit, distance: between(value, limit, 3 * limit) };
  },
  finding: {
    code: 'PROPS_MANY',
    severity: 'look',
    limit: '`craft.propsTaken`, or `craft.propsHalfHour` in half an hour where that is more',
    says: 'props are taken or put away too often',
    find: ({ timed }) => {
      const moved = timed.sequence.filter(({ change }) => change.taken.length + change.putAway.length > 0);
      return { blocks: moved.map(({ index }) => index) };
    },
    sentence: ({ value, limit }, { timed: { sequence, plan } }) => {
      const names = new Set(sequence.flatMap(({ change }) => change.taken.map(({ name }) => name.toLowerCase())));
      return `Props are taken or put away ${value} times (${[...names].join(', ')}); ${Math.floor(limit)} are the most in ${plan.targetMinutes} minutes.`;
    },
  },
};

/** How many of the rungs offered are another block's main version, and of how many. */
function doubles({ timed, known, done }: Subject): { readonly twice: number[]; readonly offers: number } {
  const homes = new Set(done.map(({ entry }) => entry.key));
  const twice: number[] = [];
  let offers = 0;
  for (const { laid, offers: offered } of known) {
    for (const { entry } of offered) {
      offers += 1;
      if (!homes.has(entry.key)) continue;
      const at = timed.blocks.findIndex((block) => block.laid === laid);
      if (!doneInStay(timed.blocks, at, entry.key)) twice.push(timed.blocks[at]?.index ?? 0);
    }
  }
  return { twice, offers };
}

/** Whether a rung was a main version earlier in the stay of a block. */
function doneInStay(blocks: Subject['timed']['blocks'], at: number, key: string): boolean {
  const position = blocks[at]?.position;
  for (let i = at - 1; i >= 0 && blocks[i]?.position === position; i--) if (blocks[i]?.entry.key === key) return true;
  return false;
}

/** Options of their own. */
export const levels: CraftTerm<'levels'> = {
  name: 'levels',
  measures: 'share of the options that are another block’s main version, those done earlier in the same stay aside',
  unit: '',
  drills: true,
  weigh: (subject) => {
    const { twice, offers } = doubles(subject);
    if (offers === 0) return fine(0);
    const value = twice.length / offers;
    return { value, limit: 0, distance: between(value, 0, 0.5) };
  },
  finding: {
    code: 'LEVEL_DOUBLE',
    severity: 'look',
    limit: 'none, unless done earlier in the same stay',
    says: 'what is offered beside a block is the main version of another',
    find: (subject) => ({ blocks: [...new Set(doubles(subject).twice)] }),
    sentence: ({ blocks: [first] }, subject) => {
      const { length } = doubles(subject).twice;
      return `${length} ${length === 1 ? 'option is' : 'options are'} what another block does anyway${first === undefined ? '' : `, in ${subject.titleAt(first)} first`}.`;
    },
  },
};

/** A plan for when it runs late: asked only of a class that says what may go. */
export const late: CraftTerm<'late'> = {
  name: 'late',
  measures: 'chance of running late with the blocks to give left out; of a class without any it is not asked',
  unit: '',
  weigh: ({ overIfGiven, catalog }) => {
    const { lateChance } = catalog.method.craft;
    if (overIfGiven === undefined) return fine(lateChance);
    return { value: overIfGiven, limit: lateChance, distance: between(overIfGiven, lateChance, 0.5) };
  },
};
