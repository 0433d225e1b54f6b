import { HEAT_WEIGHTS } from '@warm-ladder/core/method';
import {
  type Catalog,
  type CueKind,
  type Exercise,
  type HeatFactor,
  type RungEntry,
  rungKey,
} from '@warm-ladder/core/repertoire';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { useMemo } from 'react';
import { RungFigure } from '../../figure/RungFigure';
import { HeatMark } from '../../parts/HeatMark';
import { Sheet } from '../../parts/Sheet';

interface LadderSheetProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  readonly close: () => void;
}

/** One ladder to study, hottest rung on top: figures, what makes each one hot, its gate, what it needs and unlocks. */
export function LadderSheet({ catalog, exercise, close }: LadderSheetProps) {
  const unlocks = useMemo(() => {
    const by = new Map<string, RungEntry[]>();
    for (const entry of catalog.rungs) {
      for (const required of entry.rung.requires ?? []) {
        by.set(rungKey(required), [...(by.get(rungKey(required)) ?? []), entry]);
      }
    }
    return by;
  }, [catalog]);
  const entries = exercise.rungs.flatMap(({ id }) => catalog.rung({ exercise: exercise.id, rung: id }) ?? []).reverse();
  return (
    <Sheet
      at="side"
      open
      onOpenChange={close}
      title={exercise.name}
      about={`${catalog.graph.name(exercise.position)}, ${exercise.directions.join(' and ')}. The hottest rung stands on top.`}
    >
      <ol className="flex flex-col" reversed>
        {entries.map((entry) => (
          <RungStudy key={entry.key} catalog={catalog} entry={entry} unlocks={unlocks.get(entry.key) ?? []} />
        ))}
      </ol>
      <p className="mt-3 text-sm text-soft">
        Loads are a static estimate on a reference body: they compare options and are no clinical measure.{' '}
        {GENERAL_ADVICE}
      </p>
    </Sheet>
  );
}

const title = ({ exercise, rung }: RungEntry) => `${exercise.name}, ${rung.name}`;

function RungStudy({ catalog, entry, unlocks }: { catalog: Catalog; entry: RungEntry; unlocks: readonly RungEntry[] }) {
  const { rung } = entry;
  const { heat, factors, load } = catalog.measures(entry);
  const strongest = (Object.entries(factors) as Array<[HeatFactor, number]>)
    .filter(([, part]) => part >= 0.5)
    .sort(([, a], [, b]) => b - a);
  const loads = [
    ['leg lever', load.legLever],
    ['curl lever', load.curlLever],
    ['moment at the low back', load.lumbarMoment],
  ].filter((each): each is [string, number] => typeof each[1] === 'number' && each[1] >= 0.5);
  const requires = (rung.requires ?? []).flatMap((ref) => catalog.rung(ref) ?? []);
  const cues = (kind: CueKind) => (rung.cues ?? []).filter((cue) => cue.kind === kind);
  return (
    <li id={rung.id} className="border-b-4 border-ink py-3 first:pt-0">
      <div className="flex items-start gap-3">
        <RungFigure entry={entry} className="h-24 w-40 shrink-0" label={`${title(entry)}, drawn`} />
        <div className="grow">
          <h3 className="flex items-start gap-2 text-lg leading-tight font-semibold">
            <span className="grow">{rung.name}</span>
            <HeatMark heat={heat} />
          </h3>
          <ul className="mt-1 text-sm text-soft">
            {strongest.map(([factor, part]) => (
              <li key={factor} className="grid grid-cols-[5.5rem_2rem_1fr] items-center gap-2">
                <span
                  className="h-1.5 rounded-full bg-heat-3"
                  style={{ width: `${(part / HEAT_WEIGHTS.lever.value) * 100}%` }}
                  aria-hidden="true"
                />
                <span className="text-right text-ink">{part.toFixed(1)}</span>
                {HEAT_WEIGHTS[factor].label}
              </li>
            ))}
          </ul>
          {rung.heatOverride && <p className="text-sm">Set by the director: {rung.heatOverride.reason}</p>}
        </div>
      </div>
      <dl className="mt-1 grid grid-cols-[5.5rem_1fr] gap-x-3 gap-y-0.5 text-[15px]">
        <Row name="Load" lines={loads.map(([name, value]) => `${name} ${value.toFixed(0)} N·m`)} />
        <Row name="Set-up" lines={cues('setup').map(({ text }) => text)} />
        <Row
          name="Action"
          lines={rung.phases.map(
            (phase, i) =>
              `${phase.breath} ${phase.counts}: ${cues('action').find((cue) => cue.phase === i)?.text ?? '…'}`,
          )}
        />
        <Row name="Safety" lines={cues('safety').map(({ text }) => text)} />
        <Row name="Ready when" lines={rung.gate?.ready ?? []} />
        <Row name="Stay when" lines={rung.gate?.stay ?? []} />
        <Row name="Requires" lines={requires.map(title)} />
        <Row name="Unlocks" lines={unlocks.map(title)} />
        <Row name="Props" lines={entry.props.map(({ name }) => name)} />
      </dl>
    </li>
  );
}

function Row({ name, lines }: { name: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd>
        {lines.map((line) => (
          <span key={line} className="block">
            {line}
          </span>
        ))}
      </dd>
    </>
  );
}
