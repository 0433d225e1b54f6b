import { DIRECTION_WORDS } from '@warm-ladder/core/method';
import { type Catalog, type Exercise, RequirementGraph } from '@warm-ladder/core/repertoire';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { Pencil, Scale } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { LadderRail } from '../../parts/rungs/LadderRail';
import { Sheet } from '../../parts/Sheet';
import { SoonLadderDoubts } from '../../parts/soon';
import { RungStudy } from './RungStudy';

interface LadderSheetProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  readonly close: () => void;
}

/** Rungs set side by side at most. */
const COMPARED = 3;

/** One ladder to study, hottest rung on top. */
export function LadderSheet({ catalog, exercise, close }: LadderSheetProps) {
  const { hash } = useLocation();
  useEffect(() => {
    // The sheet is laid over the view a moment after this one is drawn.
    const frame = requestAnimationFrame(() => document.getElementById(hash.slice(1))?.scrollIntoView());
    return () => cancelAnimationFrame(frame);
  }, [hash]);
  const graph = useMemo(() => new RequirementGraph(catalog.exercises), [catalog]);
  const entries = exercise.rungs.flatMap(({ id }) => catalog.rung({ exercise: exercise.id, rung: id }) ?? []).reverse();
  const spread = entries.length <= COMPARED ? entries : [entries[0], entries[entries.length >> 1], entries.at(-1)];
  return (
    <Sheet
      at="side"
      open
      onOpenChange={close}
      title={exercise.name}
      about={`${catalog.graph.name(exercise.position)}, ${exercise.directions.map((each) => DIRECTION_WORDS[each]).join(' and ')}. The hardest rung stands on top.`}
    >
      <p className="mb-3 flex flex-wrap gap-2">
        {entries.length > 1 && (
          <Link
            className="action text-sm"
            to={`/compare?rungs=${spread
              .flatMap((entry) => entry?.key ?? [])
              .reverse()
              .join(',')}`}
          >
            <Scale className="size-4" aria-hidden="true" /> Compare its rungs
          </Link>
        )}
        <Link className="action text-sm" to={`/edit/${exercise.id}`}>
          <Pencil className="size-4" aria-hidden="true" /> Edit the ladder
        </Link>
      </p>
      <SoonLadderDoubts catalog={catalog} exercise={exercise} />
      <div className="grid gap-x-5 sm:grid-cols-[7.5rem_minmax(0,1fr)]">
        <nav aria-label="Rungs" className="hidden self-start sm:sticky sm:top-0 sm:block">
          <LadderRail
            catalog={catalog}
            exercise={exercise}
            current={hash.slice(1) || undefined}
            to={(id) => `/repertoire/${exercise.id}#${id}`}
          />
        </nav>
        <ol className="flex flex-col" reversed>
          {entries.map((entry) => (
            <RungStudy key={entry.key} catalog={catalog} entry={entry} graph={graph} />
          ))}
        </ol>
      </div>
      <p className="mt-3 text-sm text-soft">
        Loads are a static estimate on a reference body: they compare options and are no clinical measure.{' '}
        {GENERAL_ADVICE}
      </p>
    </Sheet>
  );
}
