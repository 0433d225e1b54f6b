import {
  type Catalog,
  formOf,
  heaviestLoad,
  LOAD_IDEAS,
  LOAD_WORDS,
  loadCurve,
  meanLoad,
  phaseCounts,
  type RungEntry,
} from '@warm-ladder/core/repertoire';
import { Suspense, useMemo } from 'react';
import { lazily } from '../../app/shell/lazily';

// Charts come with a library of their own.
const LoadArea = lazily(() => import('../../charts/LoadArea'));

interface LoadCurveProps {
  readonly catalog: Catalog;
  readonly entry: RungEntry;
  /** All that are compared: their curves share one scale in newton metres and in seconds. */
  readonly entries: readonly RungEntry[];
}

/** Loads under this many N·m are no lever to speak of. */
const TELLING = 0.5;

/** The heaviest load of a rung over one repetition, with the breath it is carried on under it. */
export function LoadCurve({ catalog, entry, entries }: LoadCurveProps) {
  const course = catalog.course(entry).rep;
  const load = heaviestLoad(course);
  const curve = useMemo(() => loadCurve(catalog, entry), [catalog, entry]);
  const idea = LOAD_IDEAS.reduce((most, each) => ((load[each] ?? 0) > (load[most] ?? 0) ? each : most));
  const most = load[idea] ?? 0;
  const mean = meanLoad(course)[idea] ?? 0;
  const peak = Math.max(
    1,
    ...entries.flatMap((each) => LOAD_IDEAS.map((one) => heaviestLoad(catalog.course(each).rep)[one] ?? 0)),
  );
  const longest = Math.max(1, ...entries.map((each) => repSeconds(catalog, each)));
  const points = curve.map(({ atCounts, load: there }) => ({
    seconds: atCounts * secondsPerCount(catalog, entry),
    load: there[idea] ?? 0,
  }));
  return (
    <figure className="mt-2">
      <figcaption className="flex gap-2 text-[15px]">
        <span className="grow">{most < TELLING ? 'No lever to speak of' : LOAD_WORDS[idea]}</span>
        {most >= TELLING && (
          <span>
            <strong>{most.toFixed(0)} N·m</strong>{' '}
            <span className="text-soft">at most, {mean.toFixed(0)} on average</span>
          </span>
        )}
      </figcaption>
      <Suspense fallback={<div className="h-[110px]" />}>
        <LoadArea
          points={points}
          longest={longest}
          heaviest={peak}
          label={`${LOAD_WORDS[idea]} over one repetition of ${entry.rung.name}: at most ${most.toFixed(0)} N·m`}
        />
      </Suspense>
      <BreathBar catalog={catalog} entry={entry} longest={longest} />
    </figure>
  );
}

/** The breath a repetition is carried on, under its load and to its scale; the effort is the dark part. */
const BreathBar = ({ catalog, entry, longest }: Omit<LoadCurveProps, 'entries'> & { readonly longest: number }) => (
  <ol aria-label="Breath" className="flex pr-1 pl-[34px] text-center text-xs text-soft">
    {breathsOf(catalog, entry).map(({ breath, from, to, effort }) => (
      <li key={from} style={{ width: `${(100 * (to - from)) / longest}%` }} className="px-px">
        <span className={`block h-1 rounded-full ${effort ? 'bg-ink' : 'bg-line'}`} />
        {breath}
      </li>
    ))}
  </ol>
);

/** Seconds of a count of a rung, whoever is in the room. */
const secondsPerCount = ({ method }: Catalog, { rung }: RungEntry): number =>
  rung.dose.secondsPerCount ?? method.secondsPerCount;

const repSeconds = (catalog: Catalog, entry: RungEntry): number => formOf(entry).rep * secondsPerCount(catalog, entry);

/** The phases of a repetition on its clock. */
function breathsOf(catalog: Catalog, entry: RungEntry) {
  let clock = 0;
  return entry.rung.phases.map((phase) => {
    const { breath, effort = false } = phase;
    const counts = phaseCounts(phase);
    const from = clock;
    clock += counts * secondsPerCount(catalog, entry);
    return { breath, effort, from, to: clock };
  });
}
