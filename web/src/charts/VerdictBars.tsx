import { VERDICTS, type Verdict } from '@warm-ladder/core/caution';
import { Bar, BarChart, LabelList, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { verdictWord } from '../parts/CautionMark';
import { AXIS, TOOLTIP } from './look';

const FILL: Readonly<Record<Verdict, string>> = {
  fine: 'var(--color-moss)',
  adapt: 'var(--color-limb-far)',
  swap: 'var(--color-thing)',
  'clear-first': 'var(--color-alarm)',
};

interface VerdictBarsProps {
  readonly rows: ReadonlyArray<{ readonly name: string; readonly counts: Readonly<Record<Verdict, number>> }>;
}

/** How many rungs of each position are fine, and how many ask for something. */
export default function VerdictBars({ rows }: VerdictBarsProps) {
  const told = rows.map(
    ({ name, counts }) =>
      `${name}: ${VERDICTS.map((verdict) => `${counts[verdict]} ${verdictWord(verdict)}`).join(', ')}`,
  );
  const data = rows.map(({ name, counts }) => ({ name, ...counts }));
  return (
    <div role="img" className="overflow-hidden" aria-label={told.join('; ')}>
      <ResponsiveContainer width="100%" height={20 + rows.length * 27}>
        <BarChart data={data} layout="vertical" margin={{ left: 0, right: 8 }} accessibilityLayer={false}>
          <XAxis type="number" hide />
          <YAxis type="category" dataKey="name" width={130} {...AXIS} />
          {VERDICTS.map((verdict) => (
            <Bar
              key={verdict}
              dataKey={verdict}
              name={verdictWord(verdict)}
              stackId="rungs"
              fill={FILL[verdict]}
              isAnimationActive={false}
              barSize={17}
            >
              <LabelList
                dataKey={verdict}
                formatter={(count: unknown) => (Number(count) > 4 ? String(count) : '')}
                style={{ fill: verdict === 'adapt' ? 'var(--color-ink)' : 'var(--color-sheet)', fontSize: 11 }}
              />
            </Bar>
          ))}
          <Tooltip {...TOOLTIP} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
