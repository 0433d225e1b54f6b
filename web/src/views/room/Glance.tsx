import type { Standing } from '@warm-ladder/core/rehearsal';
import type { Catalog, RungEntry } from '@warm-ladder/core/repertoire';
import { phaseCounts } from '@warm-ladder/core/repertoire';
import type { ScriptSection } from '@warm-ladder/core/script';
import { useCallback, useEffect, useRef } from 'react';
import type { PhasePlace } from '../../figure/MovingFigure';
import { SoonMoving } from '../../figure/SoonMoving';
import { countWords, doingWords } from './live/stageWords';

export const TEXT_SIZES = ['usual', 'large', 'largest'] as const;
export type TextSize = (typeof TEXT_SIZES)[number];
/** A size by its name; large where it is none. */
export const textSize = (name: string): TextSize => TEXT_SIZES.find((each) => each === name) ?? 'large';

/** Sizes of the name and of the count: read across a room, as large as the screen allows. */
const SIZES: Readonly<Record<TextSize, { readonly name: string; readonly count: string }>> = {
  usual: { name: 'clamp(40px, 6vmin + 16px, 64px)', count: 'clamp(48px, 8vmin + 16px, 72px)' },
  large: { name: 'clamp(48px, 8vmin + 16px, 80px)', count: 'clamp(64px, 11vmin + 16px, 96px)' },
  largest: { name: 'clamp(56px, 9vmin + 20px, 96px)', count: 'clamp(72px, 13vmin + 20px, 120px)' },
};

export interface StageProps {
  readonly catalog: Catalog;
  readonly section: ScriptSection;
  readonly entry: RungEntry | undefined;
  readonly now: Standing;
  /** What is said just now. */
  readonly hearing: string | null;
  readonly onRep: () => void;
}

/** What is read at a glance from two metres: what it is, which side, how many, and the body at that moment. */
export function Glance({
  catalog,
  section,
  entry,
  now,
  size,
  hearing,
  onRep,
}: StageProps & { readonly size: TextSize }) {
  const sizes = SIZES[size];
  const count = countWords(now, section);
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: keys do the same from anywhere on the page.
    // biome-ignore lint/a11y/noStaticElementInteractions: anywhere a hand falls counts a repetition.
    <div
      className="grid min-h-0 grow [align-content:safe_center] gap-x-6 gap-y-2 overflow-y-auto px-4 py-2 landscape:grid-cols-2 landscape:items-center"
      onClick={onRep}
    >
      {entry && <StageFigure {...{ catalog, entry, now }} className="h-[26vh] w-full md:h-[32vh] landscape:h-[52vh]" />}
      <div className={entry ? '' : 'landscape:col-span-2'}>
        {now.into < 0 && section.lead !== null && <p className="text-2xl leading-snug text-cobalt">{section.lead}</p>}
        <h1 className="leading-[1.05] font-semibold text-balance" style={{ fontSize: sizes.name }}>
          {entry?.exercise.name ?? section.title}
        </h1>
        <p className="mt-1 text-2xl leading-tight">
          {entry && <span className="text-soft">{entry.rung.name}</span>}
          {section.side && <span className="ml-3 font-semibold text-cobalt">{section.side}</span>}
        </p>
        {section.times && (
          <p
            role="timer"
            aria-label="Where it is"
            className="mt-2 min-h-[1.1em] leading-none font-semibold text-cobalt"
            style={{ fontSize: sizes.count }}
          >
            {count === '' ? doingWords(now, section) : count}
          </p>
        )}
        {section.times ? (
          <p className="mt-2 min-h-8 text-2xl leading-snug">
            {count !== '' && now.moment?.doing !== 'rep' ? doingWords(now, section) : hearing}
          </p>
        ) : (
          <ul className="mt-2 flex flex-col gap-1 text-2xl leading-snug">
            {section.lines.map(({ id, text }) => (
              <li key={id} className={text === hearing ? 'text-cobalt' : ''}>
                {text}
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}

interface StageFigureProps extends Pick<StageProps, 'catalog' | 'now'> {
  readonly entry: RungEntry;
  readonly className: string;
}

/** Milliseconds between two looks at the clock: between them the figure moves on by itself. */
const LOOKS = 200;

/** The body as it moves just now: in the set-up it stands where a repetition begins. */
export function StageFigure({ catalog, entry, now, className }: StageFigureProps) {
  const { secondsPerCount } = catalog.method;
  const last = useRef({ now, at: 0 });
  useEffect(() => {
    last.current = { now, at: performance.now() };
  }, [now]);
  const count = now.section.times?.count ?? secondsPerCount;
  const placeNow = useCallback((): PhasePlace | null => {
    const { moment } = last.current.now;
    if (moment?.doing !== 'rep') return null;
    const seconds = phaseCounts(moment.phase) * count;
    // Smooth between two looks at the clock.
    const since = Math.min(performance.now() - last.current.at, LOOKS) / 1000;
    return { phase: moment.phase.id, share: Math.min(1, Math.max(0, 1 - (moment.left - since) / seconds)) };
  }, [count]);
  return <SoonMoving entry={entry} secondsPerCount={secondsPerCount} placeNow={placeNow} className={className} />;
}
