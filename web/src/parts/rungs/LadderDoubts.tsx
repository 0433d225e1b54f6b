import { type Catalog, type Exercise, ladderDoubts } from '@warm-ladder/core/repertoire';

/** Where the ladder is not sound, and where its poses show something other than was declared. */
export function LadderDoubts({ catalog, exercise }: { catalog: Catalog; exercise: Exercise }) {
  const doubts = ladderDoubts(catalog, exercise);
  if (doubts.length === 0) return null;
  return (
    <ul aria-label="Doubts about this ladder" className="mb-3 flex flex-col gap-1 border-l-4 border-cobalt pl-3">
      {doubts.map(({ code, message }) => (
        <li key={code + message}>{message}</li>
      ))}
    </ul>
  );
}
