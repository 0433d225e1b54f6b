import type { Load } from '@warm-ladder/core/body';
import {
  type Catalog,
  LOAD_IDEAS,
  LOAD_WORDS,
  type Moment,
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

const mostOf = (course: readonly Moment[], idea: keyof Load) =>
  Math.max(0, ...course.map(({ load }) => load[idea] ?? 0));
const secondsOf = (course: readonly Moment[]) => course.reduce((sum, { seconds }) => sum + seconds, 0);

/** The heaviest load of a rung over one repetition, with the breath it is carried on under it. */
export function LoadCurve({ catalog, entry, entries }: LoadCurveProps) {
  const { courses, course } = useMemo(
    () => ({ courses: entries.map((each) => catalog.course(each)), course: catalog.course(entry) }),
    [catalog, entry, entries],
  );
  const idea = LOAD_IDEAS.reduce(
    (most, each) => (mostOf(course, each) > mostOf(course, most) ? each : most),
    'legLever',
  );
  const peak = Math.max(1, ...courses.flatMap((each) => LOAD_IDEAS.map((one) => mostOf(each, one))));
  const longest = Math.max(1, ...courses.map(secondsOf));
  const x = (seconds: number) => (seconds / longest) * WIDTH;
  const y = (load: number) => HEIGHT - (load / peak) * (HEIGHT - 6);
  const points = course.map(({ atSeconds, load }) => `${x(atSeconds).toFixed(1)} ${y(load[idea] ?? 0).toFixed(1)}`);
  const end = x(secondsOf(course));
  const most = mostOf(course, idea);
  const mean = meanLoad(course)[idea] ?? 0;
  return (
    <figure className="mt-2">
      <figcaption className="flex gap-2 text-[15px]">
        <span className="grow">{most < 0.5 ? 'No lever to speak of' : LOAD_WORDS[idea]}</span>
        {most >= 0.5 && (
          <span>
            <strong>{most.toFixed(0)} N·m</strong>{' '}
            <span className="text-soft">at most, {mean.toFixed(0)} on average</span>
          </span>
        )}
      </figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT + 16}`} className="mt-1 w-full" aria-hidden="true">
        {points.length > 0 && (
          <path
            d={`M0 ${HEIGHT}L${points.join('L')}L${end} ${HEIGHT}Z`}
            className="fill-heat-3/25 stroke-heat-3"
            strokeWidth={1.5}
          />
        )}
        <line x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} className="stroke-line" />
        {breathsOf(course).map(({ breath, from, to, effort }) => (
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

/** The phases of a repetition on its clock. */
function breathsOf(course: readonly Moment[]) {
  const breaths: Array<{ phase: Moment['phase']; breath: string; effort: boolean; from: number; to: number }> = [];
  for (const { phase, atSeconds, seconds } of course) {
    const last = breaths.at(-1);
    const to = atSeconds + seconds / 2;
    if (last?.phase === phase) last.to = to;
    else
      breaths.push({ phase, breath: phase.breath, effort: phase.effort === true, from: atSeconds - seconds / 2, to });
  }
  return breaths;
}
