import { alike, mirrored, type Pose } from '../../body';
import type { RungEntry } from '../catalog';
import { allPhases, type Cue, type Phase, phaseCounts } from '../exercise';
import { worksOneSide } from '../features/form';

const NUMBERS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
};
const NUMBER = String.raw`(\d+|${Object.keys(NUMBERS).join('|')})`;
/** A number that ends its clause is of counts; one of breaths, sides or a foot is another thing. */
const COUNTED = new RegExp(String.raw`\b(?:for|over) ${NUMBER}(?=[.,;:!?]|$)|\b${NUMBER} counts?\b`, 'i');

const IN = /\b(?:breathe|breathing|breath) in\b|\bin-breath\b|\binhale\b/i;
const OUT = /\b(?:breathe|breathing|breath) out\b|\bout-breath\b|\bexhale\b/i;

/** Degrees within which two shapes are one. */
const SAME_SHAPE = 5;

/** Words of action that say another number of counts than their phase has. @returns a sentence each */
export const countDoubts = (entry: RungEntry): string[] =>
  actionsOf(entry).flatMap(({ cue: { text }, phase }) => {
    const found = COUNTED.exec(text);
    const said = (found?.[1] ?? found?.[2])?.toLowerCase();
    if (said === undefined) return [];
    const [least, most] = [phase.counts, phase.countsTo ?? phase.counts];
    const number = NUMBERS[said] ?? Number(said);
    return number >= least && number <= most
      ? []
      : [`In “${entry.rung.name}”, “${text}” counts ${number}, and its phase takes ${phaseCounts(phase)}.`];
  });

/** Words of action that ask for the other breath than their phase has. @returns a sentence each */
export const breathDoubts = (entry: RungEntry): string[] =>
  actionsOf(entry).flatMap(({ cue: { text }, phase }) => {
    const [asksIn, asksOut] = [IN.test(text), OUT.test(text)];
    if (asksIn === asksOut) return [];
    const other = asksIn ? 'out' : 'in';
    return phase.breath === other
      ? [
          `In “${entry.rung.name}”, “${text}” asks for the ${asksIn ? 'in' : 'out'}-breath, and its phase breathes ${other}.`,
        ]
      : [];
  });

/** Each word of action with the phase it is spoken on. */
function actionsOf({ rung }: RungEntry): Array<{ readonly cue: Cue; readonly phase: Phase }> {
  const all = allPhases(rung);
  return (rung.cues ?? []).flatMap((cue) => {
    const phase = cue.kind === 'action' ? all.find(({ id }) => id === (cue.phase ?? rung.phases[0]?.id)) : undefined;
    return phase ? [{ cue, phase }] : [];
  });
}

/**
 * Whether a rung that is for both sides at once works one side, and never its mirror image: half of the body is left
 * out, and no clock counts it.
 */
export function neverChanges({ sides, rung }: RungEntry): boolean {
  if (sides !== 'both' || !worksOneSide(rung)) return false;
  const poses = rung.phases.flatMap(({ pose }) => rung.poses[pose] ?? []);
  const isMirror = (pose: Pose) => poses.some((other) => other !== pose && alike(pose, mirrored(other), SAME_SHAPE));
  return !poses.some(isMirror);
}
