import { LEFT, type Left } from '@warm-ladder/core/caution';
import { Bar, BarChart, LabelList, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { leftWord } from '../parts/classes/CautionMark';
import { AXIS, TOOLTIP } from './look';

const FILL: Readonly<Record<Left, string>> = {
  fine: 'var(--color-moss)',
  adapt: 'var(--color-limb-far)',
  swap: 'var(--color-thing)',
  'clear-first': 'var(--color-alarm)',
  'too-hot': 'var(--color-heat-3)',
  'not-at-hand': 'var(--color-shade)',
};
/** On these the count is dark. */
const PALE: ReadonlySet<Left> = new Set(['adapt', 'not-at-hand']);

interface VerdictBarsProps {
  readonly rows: ReadonlyArray<{ readonly name: string; readonly counts: Readonly<Record<Left, number>> }>;
}

/** How many rungs of each position are fine, and how many ask for something. */
export default function VerdictBars({ rows }: VerdictBarsProps) {
  const told = rows.map(
    ({ name, counts }) => `${name}: ${LEFT.map((left) => `${counts[left]} ${leftWord(left)}`).join(', ')}`,
  );
  const data = rows.map(({ name, counts }) => ({ name, ...counts }));
  return (
    <div role="img" className="overflow-hidden" aria-label={told.join('; ')}>
      <ResponsiveContainer width="100%" height={20 + rows.length * 27}>
        <BarChart data={data} layout="vertical" margin={{ left: 0, right: 8 }} accessibilityLayer={false}>
          <XAxis type="number" hide />
          <YAxis type="category" dataKey="name" width={130} {...AXIS} />
          {LEFT.map((left) => (
            <Bar
              key={left}
              dataKey={left}
              name={leftWord(left)}
              stackId="rungs"
              fill={FILL[left]}
              isAnimationActive={false}
              barSize={17}
            >
              <LabelList
                dataKey={left}
                formatter={(count: unknown) => (Number(count) > 4 ? String(count) : '')}
                style={{ fill: PALE.has(left) ? 'var(--color-ink)' : 'var(--color-sheet)', fontSize: 11 }}
              />
            </Bar>
          ))}
          <Tooltip {...TOOLTIP} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
