import { Area, AreaChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { AXIS, INK } from './look';

interface LoadAreaProps {
  /** Seconds of the repetition, and the load there in N·m. */
  readonly points: ReadonlyArray<{ readonly seconds: number; readonly load: number }>;
  /** The scale all that are compared share. */
  readonly longest: number;
  readonly heaviest: number;
  readonly label: string;
}

/** A load over one repetition. */
export default function LoadArea({ points, longest, heaviest, label }: LoadAreaProps) {
  return (
    <div role="img" className="overflow-hidden" aria-label={label}>
      <ResponsiveContainer width="100%" height={110}>
        <AreaChart data={[...points]} margin={{ top: 4, left: 0, right: 4, bottom: 0 }} accessibilityLayer={false}>
          <XAxis dataKey="seconds" type="number" domain={[0, longest]} unit=" s" tickCount={6} {...AXIS} />
          <YAxis domain={[0, heaviest]} width={34} tickCount={3} allowDecimals={false} {...AXIS} />
          <Area
            dataKey="load"
            stroke={INK.other}
            fill={INK.other}
            fillOpacity={0.25}
            strokeWidth={2}
            isAnimationActive={false}
          />
        </AreaChart>
      </ResponsiveContainer>
    </div>
  );
}
