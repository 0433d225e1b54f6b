import {
  type Catalog,
  heaviestLoad,
  LOAD_IDEAS,
  LOAD_WORDS,
  loadCurve,
  meanLoad,
  type RungEntry,
} from '@warm-ladder/core/repertoire';
import { useMemo } from 'react';

interface LoadCurveProps {
  readonly catalog: Catalog;
  readonly entry: RungEntry;
  /** All that are compared: their curves share one scale in newton metres and in seconds. */
  readonly entries: readonly RungEntry[];
}

const WIDTH = 300;
const HEIGHT = 70;
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
  const x = (seconds: number) => (seconds / longest) * WIDTH;
  const y = (value: number) => HEIGHT - (value / peak) * (HEIGHT - 6);
  const points = curve.map(
    (point) =>
      `${x(point.atCounts * secondsPerCount(catalog, entry)).toFixed(1)} ${y(point.load[idea] ?? 0).toFixed(1)}`,
  );
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
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT + 16}`} className="mt-1 w-full" aria-hidden="true">
        {points.length > 0 && (
          <path
            d={`M0 ${HEIGHT}L${points.join('L')}L${x(repSeconds(catalog, entry))} ${HEIGHT}Z`}
            className="fill-heat-3/25 stroke-heat-3"
            strokeWidth={1.5}
          />
        )}
        <line x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} className="stroke-line" />
        {breathsOf(catalog, entry).map(({ breath, from, to, effort }) => (
          <g key={from}>
            <rect
              x={x(from) + 0.5}
              width={Math.max(0, x(to) - x(from) - 1)}
              y={HEIGHT + 3}
              height={3}
              rx={1.5}
              className={effort ? 'fill-ink' : 'fill-line'}
            />
            <text x={(x(from) + x(to)) / 2} y={HEIGHT + 15} textAnchor="middle" className="fill-soft text-[9px]">
              {breath}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}

/** Seconds of a count of a rung, whoever is in the room. */
const secondsPerCount = ({ method }: Catalog, { rung }: RungEntry): number =>
  rung.dose.secondsPerCount ?? method.secondsPerCount;

const repSeconds = (catalog: Catalog, entry: RungEntry): number =>
  entry.rung.phases.reduce((sum, { counts }) => sum + counts, 0) * secondsPerCount(catalog, entry);

/** The phases of a repetition on its clock. */
function breathsOf(catalog: Catalog, entry: RungEntry) {
  let clock = 0;
  return entry.rung.phases.map(({ breath, counts, effort = false }) => {
    const from = clock;
    clock += counts * secondsPerCount(catalog, entry);
    return { breath, effort, from, to: clock };
  });
}
