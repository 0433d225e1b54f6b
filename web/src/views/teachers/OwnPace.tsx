import type { Teacher } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import { type EndedClass, isInside, paceOf } from '@warm-ladder/core/taught/pace';
import { useMemo } from 'react';
import { selectCatalog, selectClasses, selectLogs } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { restsOn } from '../../parts/rungs/restsOn';

/** What a teacher’s logged classes taught of their pace, and whether the lengths foretold from it held. */
export function OwnPace({ teacher }: { readonly teacher: Teacher }) {
  const logs = useAppSelector(selectLogs);
  const { method } = useAppSelector(selectCatalog);
  const pace = useMemo(() => paceOf(logs, teacher, method), [logs, teacher, method]);
  if (pace.classes === 0) return null;
  return (
    <div className="my-1">
      <p>{restsOn(pace)}</p>
      {pace.ended.length > 0 && <EndedClasses ended={pace.ended} />}
    </div>
  );
}

/** Pixels: a class’s own column, the picture’s height, and what is left free above and below. */
const [COLUMN, HEIGHT, EDGE] = [34, 110, 8];
/** Classes drawn: the latest. */
const MOST = 24;

/**
 * Each class as a range and a point: where four in five such classes should end, and where this one did, in minutes from
 * the middle of its range.
 */
function EndedClasses({ ended: all }: { readonly ended: readonly EndedClass[] }) {
  const classes = useAppSelector(selectClasses);
  const ended = all.slice(-MOST);
  const apart = ended.map((each) => {
    const middle = (each.p10 + each.p90) / 2;
    return { ...each, half: (each.p90 - each.p10) / 2, off: each.endedSeconds - middle };
  });
  const most = Math.max(60, ...apart.map(({ half, off }) => Math.max(half, Math.abs(off)))) * 1.1;
  const y = (seconds: number) => HEIGHT / 2 + EDGE - (seconds / most) * (HEIGHT / 2);
  const width = 70 + ended.length * COLUMN;
  const minutes = Math.max(1, Math.floor(most / 60));
  return (
    <figure className="overflow-x-auto">
      <svg
        width={width}
        height={HEIGHT + 2 * EDGE + 18}
        role="img"
        aria-label={`${ended.filter(isInside).length} of ${ended.length} classes ended within the range foretold for them; four in five should.`}
      >
        {[minutes, 0, -minutes].map((each) => (
          <g key={each}>
            <line
              x1={62}
              x2={width}
              y1={y(each * 60)}
              y2={y(each * 60)}
              className="stroke-line"
              strokeDasharray="2 3"
            />
            <text x={56} y={y(each * 60) + 4} textAnchor="end" className="fill-soft text-[12px]">
              {each === 0 ? 'as foretold' : `${Math.abs(each)} min ${each > 0 ? 'late' : 'early'}`}
            </text>
          </g>
        ))}
        {apart.map((each, i) => {
          const x = 70 + i * COLUMN + COLUMN / 2;
          const name = classes.find(({ id }) => id === each.class)?.name ?? each.class;
          return (
            <g key={each.log}>
              <title>
                {`${name}, ${each.date}: ended at ${clock(each.endedSeconds)}, foretold ${clock(each.p10)} to ${clock(each.p90)}`}
              </title>
              <rect
                x={x - 7}
                y={y(each.half)}
                width={14}
                height={y(-each.half) - y(each.half)}
                rx={4}
                className="fill-moss/25"
              />
              <circle
                cx={x}
                cy={y(each.off)}
                r={5}
                className={isInside(each) ? 'fill-moss' : 'fill-paper stroke-alarm'}
                strokeWidth={2.5}
              />
              <text x={x} y={HEIGHT + 2 * EDGE + 14} textAnchor="middle" className="fill-soft text-[11px]">
                {each.date.slice(5).replace('-', '/')}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-sm text-soft">
        Green: where four in five classes should end, foretold from the logs before. Point: where it ended.
      </figcaption>
    </figure>
  );
}
