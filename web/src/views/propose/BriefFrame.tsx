import type { Direction } from '@warm-ladder/core/method';
import type { ClassPlan } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { heatTaken, idealHeat, roomOf, rungTitle, stagesOf, takenByPosition } from '@warm-ladder/core/review';
import type { Brief } from '@warm-ladder/core/sequence';
import { useMemo } from 'react';
import { selectAudience, selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { SoonRungFigure } from '../../figure/SoonRungFigure';
import { heatStep } from '../../parts/rungs/heat';

/** The frame in its own units: as wide as the class, as tall as heat goes, and what the clock takes under it. */
const [WIDTH, HEIGHT, CLOCK] = [1000, 180, 18];
/** Shares of a class that nobody works in, before and after: about what the house’s own classes have. */
const [OPENS, CLOSES] = [0.06, 0.05];
/** Steps the curve is drawn in. */
const STEPS = 48;

interface BriefFrameProps {
  readonly brief: Brief;
  readonly onMustHave: (exercise: string) => void;
}

/**
 * What a brief frames, before anything is proposed: the clock, what the room can take and how a class climbs to it, and
 * the bodies it may be made of, position by position. A body that is chosen has to be in it.
 */
export function BriefFrame({ brief, onMustHave }: BriefFrameProps) {
  const catalog = useAppSelector(selectCatalog);
  const audience = useAppSelector((state) => selectAudience(state, brief.audience));
  const { heat, positions } = useMemo(() => {
    const asked: Pick<ClassPlan, 'purpose' | 'order' | 'cautions'> = {
      ...(brief.purpose && { purpose: brief.purpose }),
      ...(brief.order && { order: brief.order }),
    };
    const room = roomOf(catalog, asked, { audience, today: today() });
    return { heat: heatTaken(room), positions: takenByPosition(room) };
  }, [catalog, audience, brief.purpose, brief.order]);
  if (positions.length === 0) return null;
  const chosen = new Set((brief.mustHave ?? []).map(({ exercise }) => exercise));
  const standing = positions.flatMap(({ hottest }) => hottest.filter(({ exercise }) => chosen.has(exercise.id)));
  return (
    <section aria-label="What it may be made of" className="mt-6">
      <Climb {...{ brief, heat, standing }} who={audience?.name ?? 'Anyone'} />
      <h2 className="mt-5 font-name text-xl font-semibold">What it may be made of</h2>
      <p className="text-soft">
        The hardest of each position that {audience ? `everybody among the ${audience.name.toLowerCase()}` : 'anyone'}{' '}
        can take. Choose a body, and it has to be in the class.
      </p>
      <ul className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(17rem,1fr))] gap-x-6 gap-y-4">
        {positions.map(({ position, fine, of, hottest }) => (
          <li key={position}>
            <h3 className="flex items-baseline justify-between border-b-2 border-line">
              <span className="font-semibold">{catalog.graph.name(position)}</span>
              <span className="text-sm text-soft tabular-nums">
                {fine} of {of}
              </span>
            </h3>
            {hottest.length === 0 ? (
              <p className="mt-1 text-sm text-soft">Nothing of it: too hard, not at hand, or with a caution.</p>
            ) : (
              <div className="mt-1 grid grid-cols-3 gap-2">
                {inFocus(hottest, brief.focus)
                  .slice(0, 3)
                  .map((entry) => (
                    <Body
                      key={entry.key}
                      entry={entry}
                      heat={catalog.heat(entry)}
                      chosen={chosen.has(entry.exercise.id)}
                      onChoose={() => onMustHave(entry.exercise.id)}
                    />
                  ))}
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What goes the way of the focus first; the hottest first among those. */
function inFocus(entries: readonly RungEntry[], focus: Direction | undefined): readonly RungEntry[] {
  if (!focus) return entries;
  const goes = (entry: RungEntry) => Number(entry.exercise.directions.includes(focus));
  return [...entries].sort((a, b) => goes(b) - goes(a));
}

interface BodyProps {
  readonly entry: RungEntry;
  readonly heat: number;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

function Body({ entry, heat, chosen, onChoose }: BodyProps) {
  const { ground, weight } = heatStep(heat);
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`${rungTitle(entry)}, heat ${Math.round(heat)}`}
      className={`flex min-w-0 flex-col rounded-lg p-1 text-left hover:bg-sheet ${chosen ? 'bg-sheet outline-2 outline-cobalt' : ''}`}
      onClick={onChoose}
    >
      <SoonRungFigure entry={entry} className="h-14 w-full" />
      <span className={`block w-full rounded-sm ${ground} ${weight}`} />
      <span className="mt-0.5 line-clamp-2 font-narrow text-sm leading-tight">{rungTitle(entry)}</span>
    </button>
  );
}

interface ClimbProps {
  readonly brief: Brief;
  readonly heat: number;
  readonly standing: readonly RungEntry[];
  readonly who: string;
}

/** The class to come: how it climbs to what the room can take, by the clock, with what has to be in it at its height. */
function Climb({ brief, heat, standing, who }: ClimbProps) {
  const catalog = useAppSelector(selectCatalog);
  const { score, limits, order } = catalog.method;
  const most = Math.max(40, heat * 1.25);
  const y = (value: number) => HEIGHT - (value / most) * HEIGHT;
  const x = (share: number) => (OPENS + share * (1 - OPENS - CLOSES)) * WIDTH;
  const curve = (share: number) => idealHeat(share, score.peakAt, brief.order ?? order);
  const at = (share: number) => heat * curve(share);
  const line = Array.from({ length: STEPS + 1 }, (_, i) => `${x(i / STEPS).toFixed(1)} ${y(at(i / STEPS)).toFixed(1)}`);
  const peak = stagesOf(limits).find(({ name }) => name === 'peak');
  const every = brief.minutes > 60 ? 15 : brief.minutes > 20 ? 10 : 5;
  const ticks = Array.from({ length: Math.floor(brief.minutes / every) + 1 }, (_, i) => i * every);
  return (
    <div className="relative">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + CLOCK}`}
        className="w-full"
        role="img"
        aria-label={`Climbs to heat ${Math.round(heat)} in ${brief.minutes}:00`}
      >
        {peak && (
          <rect x={x(peak.from)} width={x(peak.to) - x(peak.from)} y={0} height={HEIGHT} className="fill-shade" />
        )}
        <path d={`M${x(0)} ${HEIGHT}L${line.join('L')}L${x(1)} ${HEIGHT}Z`} className="fill-line" opacity="0.35" />
        <path d={`M${line.join('L')}`} className="stroke-ink" strokeWidth="2.5" fill="none" strokeLinejoin="round" />
        <path d={`M0 ${y(heat)}H${WIDTH}`} className="stroke-soft" strokeWidth="1" strokeDasharray="5 4" />
        <text x={WIDTH} y={y(heat) - 5} textAnchor="end" className="fill-soft text-[15px]">
          {who}: heat {Math.round(heat)} at the most
        </text>
        <path d={`M0 ${HEIGHT}H${WIDTH}`} className="stroke-ink" strokeWidth="2" />
        {ticks.map((minute) => (
          <text
            key={minute}
            x={(minute / brief.minutes) * WIDTH}
            y={HEIGHT + 15}
            textAnchor={minute === 0 ? 'start' : minute === brief.minutes ? 'end' : 'middle'}
            className="fill-soft text-[14px] tabular-nums"
          >
            {minute}:00
          </text>
        ))}
      </svg>
      {standing.map((entry) => {
        const own = catalog.heat(entry);
        const share = shareAt(own / Math.max(heat, 1), curve, score.peakAt);
        const { ground, weight } = heatStep(own);
        const place = { left: `${x(share) / 10}%`, bottom: `${100 - (y(own) / (HEIGHT + CLOCK)) * 100}%` };
        return (
          <span key={entry.key} className="absolute w-20 -translate-x-1/2 max-sm:w-12" style={place} aria-hidden="true">
            <SoonRungFigure entry={entry} className="h-12 w-full max-sm:h-8" />
            <span className={`block w-full rounded-sm ${ground} ${weight}`} />
          </span>
        );
      })}
    </div>
  );
}

/** Where the way up first reaches a share of the peak. */
function shareAt(height: number, curve: (share: number) => number, peakAt: number): number {
  for (let i = 0; i <= STEPS; i++) {
    const share = (i / STEPS) * peakAt;
    if (curve(share) >= height) return share;
  }
  return peakAt;
}
