import {
  type Catalog,
  directionDoubts,
  type Exercise,
  ladderFaults,
  ladderFaultText,
} from '@warm-ladder/core/repertoire';
import { DIRECTION_WORDS } from './directions';

/** Where the ladder is not sound, and where its poses show something other than was declared. */
export function LadderDoubts({ catalog, exercise }: { catalog: Catalog; exercise: Exercise }) {
  const { unseen, undeclared } = directionDoubts(catalog, exercise);
  const nameOf = (rung: string) => exercise.rungs.find(({ id }) => id === rung)?.name ?? rung;
  const lines = [
    ...ladderFaults(catalog, exercise).map((fault) => ladderFaultText(exercise, fault)),
    ...unseen.map((each) => `Declared ${DIRECTION_WORDS[each]}, but no rung’s poses show it.`),
    ...undeclared.map(
      ({ direction, rung }) => `“${nameOf(rung)}” shows ${DIRECTION_WORDS[direction]}, which is not declared.`,
    ),
  ];
  if (lines.length === 0) return null;
  return (
    <ul aria-label="Doubts about this ladder" className="mb-3 flex flex-col gap-1 border-l-4 border-heat-4 pl-3">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}
