import { type Ends, isBeyond } from '@warm-ladder/core/review';

interface SpreadProps {
  /** A value a class. */
  readonly values: readonly number[];
  /** Of the class that is shown, where it has one. */
  readonly own: number | undefined;
  readonly within: Ends;
  /** A value in words. */
  readonly say: (value: number) => string;
}

/** How wide the picture is in its own units, and how tall. */
const [WIDTH, HEIGHT] = [200, 18];

/**
 * Every class of the house along one figure: a mark each, those beyond it marked as such and taller, the open class as a
 * point; what is within is a bar on the floor.
 */
export function Spread({ values, own, within, say }: SpreadProps) {
  if (values.length === 0) return <span className="block h-9" />;
  const { from, to, best } = within;
  const ends = [from, to, best].filter((end) => end !== undefined);
  const most = 1.08 * Math.max(...values, ...ends.map((end) => end * 1.25), 1e-6);
  const least = Math.min(0, ...values);
  const at = (value: number) => ((value - least) / (most - least)) * WIDTH;
  const beyond = values.filter((value) => isBeyond(within, value));
  const marks = (list: readonly number[], top: number) =>
    list.map((value) => `M${at(value).toFixed(1)} ${top}V14`).join('');
  const [left, right] = [at(from ?? least), at(to ?? most)];
  return (
    <span className="block">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" className="h-5 w-full" aria-hidden="true">
        <path d={`M0 15H${WIDTH}`} className="stroke-line" strokeWidth="1" vectorEffect="non-scaling-stroke" />
        {best === undefined && (
          <rect x={left} width={Math.max(0, right - left)} y={14} height={3} className="fill-moss" />
        )}
        <path
          d={marks(
            values.filter((value) => !isBeyond(within, value)),
            7,
          )}
          className="stroke-soft"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
        <path d={marks(beyond, 2)} className="stroke-alarm" strokeWidth="1.5" vectorEffect="non-scaling-stroke" />
        {best !== undefined && (
          <path d={`M${at(best)} 0V18`} className="stroke-moss" strokeWidth="2" vectorEffect="non-scaling-stroke" />
        )}
        {own !== undefined && (
          <path
            d={`M${at(own).toFixed(1)} 5V5.01`}
            className={isBeyond(within, own) ? 'stroke-alarm' : 'stroke-ink'}
            strokeWidth="9"
            strokeLinecap="round"
            vectorEffect="non-scaling-stroke"
          />
        )}
      </svg>
      <span className="block text-xs leading-tight text-soft">
        {own !== undefined && <span className="text-ink">{say(own)}</span>}
        {best === undefined && (
          <span className={beyond.length > 0 ? 'text-alarm' : ''}>
            {own !== undefined && ' · '}
            {beyond.length} of {values.length} beyond
          </span>
        )}
      </span>
    </span>
  );
}
