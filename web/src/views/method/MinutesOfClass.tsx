import type { ClassPlan, TimeParts } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import { selectTimed } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';

/** What minutes go to, how each is drawn, and the word under it. */
const PARTS: ReadonlyArray<readonly [keyof TimeParts, string, string]> = [
  ['opening', 'fill-line', 'opening'],
  ['setup', 'fill-thing', 'set-up'],
  ['work', 'fill-ink', 'work'],
  ['sideChanges', 'fill-cobalt', 'sides'],
  ['options', 'fill-trunk', 'options'],
  ['rest', 'fill-limb-far', 'rest'],
  ['interludes', 'fill-ghost', 'between'],
  ['transitions', 'fill-moss', 'the way'],
  ['closing', 'fill-line', 'closing'],
];

/** Where the minutes of a class go, with the range it falls in: what the figures under it change. */
export function MinutesOfClass({ plan }: { plan: ClassPlan }) {
  const { parts, seconds, range } = useAppSelector((state) => selectTimed(state, plan));
  const target = plan.targetMinutes * 60;
  const across = Math.max(range.p90, target, 60) * 1.02;
  const at = (value: number) => (value / across) * 1000;
  let x = 0;
  const shown = PARTS.flatMap(([key, fill, word]) => {
    const own = parts[key];
    if (own <= 0) return [];
    const part = { key, fill, word, seconds: own, x: at(x), width: at(own) };
    x += own;
    return [part];
  });
  return (
    <figure className="my-2">
      <svg viewBox="0 0 1000 30" preserveAspectRatio="none" className="h-8 w-full" aria-hidden="true">
        {shown.map(({ key, fill, x: left, width }) => (
          <rect key={key} x={left} y={8} width={Math.max(0.5, width - 1)} height={16} className={fill} />
        ))}
        <path
          d={`M${at(range.p10)} 4H${at(range.p90)}M${at(range.p10)} 1V7M${at(range.p90)} 1V7`}
          className="stroke-ink"
          fill="none"
          vectorEffect="non-scaling-stroke"
        />
        <path d={`M${at(target)} 0V30`} className="stroke-alarm" strokeWidth="2" vectorEffect="non-scaling-stroke" />
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 text-sm text-soft">
        {shown.map(({ key, fill, word, seconds: own }) => (
          <span key={key} className="inline-flex items-center gap-1 tabular-nums">
            <svg viewBox="0 0 10 10" className="size-2.5" aria-hidden="true">
              <rect width="10" height="10" className={fill} />
            </svg>
            {word} {clock(own)}
          </span>
        ))}
        <span className="text-ink tabular-nums">
          {plan.name}: {clock(seconds)}, {clock(range.p10)} to {clock(range.p90)} in four of five
        </span>
      </figcaption>
    </figure>
  );
}
