import { type Catalog, type Exercise, rungKey } from '@warm-ladder/core/repertoire';
import { Link } from 'react-router';
import { MovingFigure } from '../../figure/MovingFigure';
import { RungFigure } from '../../figure/RungFigure';
import { DirectionMark } from '../../parts/classes/DirectionMark';
import { HeatMark } from '../../parts/rungs/HeatMark';
import { useNear } from '../../parts/useNear';

interface LadderStripProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  /** Rungs the search found; the others stay in sight, faint, since a ladder is read whole. */
  readonly found: ReadonlySet<string>;
  /** Whether its figures move. */
  readonly moving: boolean;
  /** Among the first of the page: drawn at once, before it is known what is in sight. */
  readonly first: boolean;
}

/** A heat to keep a place by. */
const MIDDLING = 30;

/** A ladder lying on its side: its rungs climb to the right, each as high as its heat. */
export function LadderStrip({ catalog, exercise, found, moving, first }: LadderStripProps) {
  const [strip, near] = useNear<HTMLLIElement>(first);
  return (
    <li ref={strip} className={`py-3 ${first ? '' : '[contain-intrinsic-size:auto_12rem] [content-visibility:auto]'}`}>
      <p className="flex flex-wrap items-center gap-x-3">
        <Link to={`/repertoire/${exercise.id}`} className="font-name text-xl font-semibold hover:underline">
          {exercise.name}
        </Link>
        <span className="flex flex-wrap gap-x-3 text-soft">
          {catalog.graph.name(exercise.position)}
          {exercise.directions.map((direction) => (
            <DirectionMark key={direction} direction={direction} word />
          ))}
          {exercise.sides === 'both' ? '' : exercise.sides === 'each' ? 'one side, then the other' : 'alternating'}
        </span>
      </p>
      <ol className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] items-end gap-x-4 gap-y-2">
        {exercise.rungs.map((rung) => {
          const entry = catalog.rung({ exercise: exercise.id, rung: rung.id });
          if (!entry) return null;
          // What is far from sight is neither measured nor drawn: its place is kept.
          const heat = near ? catalog.heat(entry) : null;
          return (
            <li
              key={rungKey({ exercise: exercise.id, rung: rung.id })}
              className={found.has(rung.id) ? undefined : 'opacity-40'}
              style={{ paddingBottom: `${Math.min(heat ?? MIDDLING, 60) * 0.5}px` }}
            >
              <Link to={`/repertoire/${exercise.id}#${rung.id}`} className="block rounded-md hover:bg-sheet">
                {!near ? (
                  <div className="h-20" />
                ) : moving ? (
                  <MovingFigure
                    entry={entry}
                    secondsPerCount={catalog.method.secondsPerCount}
                    className="h-20 w-full"
                  />
                ) : (
                  <RungFigure entry={entry} className="h-20 w-full" />
                )}
                <span className="flex items-start gap-1.5 border-t-3 border-ink pt-1 text-[15px] leading-tight">
                  <span className="line-clamp-3 min-h-[2lh] grow" title={rung.name}>
                    {rung.name}
                  </span>
                  {heat !== null && <HeatMark heat={heat} />}
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </li>
  );
}
