import { clock } from '@warm-ladder/core/review';
import type { Outline } from '@warm-ladder/core/versions';
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { AXIS, INK, TOOLTIP } from './look';

interface EffortLinesProps {
  readonly names: readonly string[];
  readonly outlines: readonly Outline[];
}

/** How hard each version is from minute to minute: the heat of what is done then, held until the next step. */
export default function EffortLines({ names, outlines }: EffortLinesProps) {
  const moments = [
    ...new Set(
      outlines.flatMap(({ steps }) => steps.flatMap((step) => [step.startSeconds, step.startSeconds + step.seconds])),
    ),
  ].sort((a, b) => a - b);
  const rows = moments.map((at) => ({
    at,
    ...Object.fromEntries(outlines.map((outline, i) => [`heat${i}`, heatAt(outline, at)])),
  }));
  const most = outlines.map(({ steps }) => Math.round(Math.max(0, ...steps.map(({ heat }) => heat ?? 0))));
  return (
    <div
      role="img"
      className="overflow-hidden"
      aria-label={`Heat over time: ${names.map((name, i) => `${name} at most ${most[i]}`).join(', ')}`}
    >
      <ResponsiveContainer width="100%" height={220}>
        <LineChart data={rows} margin={{ left: 0, right: 16 }} accessibilityLayer={false}>
          <CartesianGrid stroke={INK.line} strokeOpacity={0.5} vertical={false} />
          <XAxis dataKey="at" type="number" domain={[0, 'dataMax']} tickFormatter={clock} minTickGap={40} {...AXIS} />
          <YAxis domain={[0, 100]} ticks={[0, 20, 35, 50, 68, 100]} width={34} {...AXIS} />
          {names.map((name, i) => (
            <Line
              key={name}
              dataKey={`heat${i}`}
              name={name}
              type="stepAfter"
              stroke={i === 0 ? INK.one : INK.other}
              strokeDasharray={i === 0 ? undefined : '6 3'}
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
          ))}
          <Legend />
          <Tooltip labelFormatter={(at) => clock(Number(at))} {...TOOLTIP} />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}

/** Interludes and the ways between have none. */
function heatAt({ steps }: Outline, at: number): number | null {
  const step = steps.find(({ startSeconds, seconds }) => at >= startSeconds && at < startSeconds + seconds);
  return step?.heat == null ? null : Math.round(step.heat);
}
