import { type Band, DIRECTION_WORDS, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { AXIS, INK, percentText, TOOLTIP } from './look';

/** The shares of one class, or of one version of it. */
interface Shares {
  readonly name: string;
  /** 0 to 1 each. */
  readonly of: Readonly<Record<Direction, number>>;
}

interface DirectionSharesProps {
  readonly shares: readonly Shares[];
  /** What the house wants of each, where it is to be seen. */
  readonly bands?: Readonly<Record<Direction, Band>>;
}

/** The share of the work in each direction, before the band it should lie in. */
export default function DirectionShares({ shares, bands }: DirectionSharesProps) {
  const rows = DIRECTIONS.map((direction) => ({
    direction: DIRECTION_WORDS[direction],
    ...(bands ? { band: [bands[direction].min, bands[direction].max] } : {}),
    ...Object.fromEntries(shares.map(({ of }, i) => [`share${i}`, of[direction]])),
  }));
  const told = rows.map((row, i) => {
    const direction = DIRECTIONS[i] as Direction;
    const band = bands ? ` (${percentText(bands[direction].min)} to ${percentText(bands[direction].max)})` : '';
    return `${row.direction} ${shares.map(({ of }) => percentText(of[direction])).join(' and ')}${band}`;
  });
  return (
    <div role="img" className="overflow-hidden" aria-label={`Share of the work in each direction: ${told.join(', ')}`}>
      <ResponsiveContainer width="100%" height={44 + rows.length * (18 + 12 * shares.length)}>
        <BarChart data={rows} layout="vertical" margin={{ left: 0, right: 12 }} accessibilityLayer={false}>
          <XAxis type="number" domain={[0, 'dataMax']} tickFormatter={percentText} {...AXIS} />
          <YAxis type="category" dataKey="direction" width={86} {...AXIS} />
          <YAxis yAxisId="band" type="category" dataKey="direction" hide />
          {bands && (
            <Bar
              yAxisId="band"
              dataKey="band"
              name="wanted"
              fill={INK.band}
              fillOpacity={0.5}
              isAnimationActive={false}
              barSize={22}
            />
          )}
          {shares.map(({ name }, i) => (
            <Bar
              key={name}
              dataKey={`share${i}`}
              name={name}
              fill={i === 0 ? INK.one : INK.other}
              isAnimationActive={false}
              barSize={9}
            />
          ))}
          <Tooltip formatter={shareText} {...TOOLTIP} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}

const shareText = (value: unknown): string =>
  Array.isArray(value) ? value.map((each) => percentText(Number(each))).join(' to ') : percentText(Number(value));
