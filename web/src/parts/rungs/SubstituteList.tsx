import { CONDITIONS, type Condition, judge } from '@warm-ladder/core/caution';
import {
  type Catalog,
  REGIONS,
  type Region,
  type RungEntry,
  regionsLoaded,
  type Substitute,
  substitutesFor,
} from '@warm-ladder/core/repertoire';
import { passes } from '@warm-ladder/core/review';
import { useMemo, useState } from 'react';
import { RungFigure } from '../../figure/RungFigure';
import { CautionMark } from '../classes/CautionMark';
import { HeatMark } from './HeatMark';

interface SubstituteListProps {
  readonly catalog: Catalog;
  readonly entry: RungEntry;
  /** Conditions in the room: rungs they swap or send away are left out. */
  readonly conditions?: readonly Condition[];
  readonly equipment?: readonly string[] | undefined;
  /** What choosing one is called, and does. */
  readonly verb: string;
  readonly onPick: (entry: RungEntry) => void;
}

const SHOWN = 8;
const NOTHING: readonly string[] = [];

/** Rungs that can stand in for one, the nearest first, each with what it changes and what it spares. */
export function SubstituteList({ catalog, entry, conditions = [], equipment, verb, onPick }: SubstituteListProps) {
  const [spare, setSpare] = useState<readonly Region[]>([]);
  const [inHand, setInHand] = useState(false);
  const props = inHand ? (entry.rung.props ?? NOTHING) : equipment;
  const loaded = useMemo(() => regionsLoaded(catalog, entry), [catalog, entry]);
  const found = useMemo(
    () =>
      substitutesFor(catalog, entry, {
        spare,
        equipment: props,
        allowed: (other) => passes({ catalog, graded: conditions }, other),
      }).slice(0, SHOWN),
    [catalog, entry, spare, props, conditions],
  );
  return (
    <div>
      <fieldset className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
        <legend className="sr-only">What it must spare</legend>
        <span className="text-soft">Spare the</span>
        {(Object.keys(REGIONS) as Region[]).map((region) => (
          <label key={region} className="inline-flex items-center gap-1">
            <input
              type="checkbox"
              checked={spare.includes(region)}
              onChange={({ target }) =>
                setSpare(target.checked ? [...spare, region] : spare.filter((each) => each !== region))
              }
            />
            <span className={loaded.includes(region) ? 'font-semibold' : ''}>{region}</span>
          </label>
        ))}
        <label className="ml-auto inline-flex items-center gap-1">
          <input type="checkbox" checked={inHand} onChange={({ target }) => setInHand(target.checked)} />
          nothing more to fetch
        </label>
      </fieldset>
      {conditions.length > 0 && (
        <p className="mb-2 text-sm text-soft">
          Left out: whatever asks to be swapped or cleared for{' '}
          {conditions.map((each) => CONDITIONS[each].name).join(', ')}.
        </p>
      )}
      {found.length === 0 && <p>Nothing in the repertoire can be swapped in.</p>}
      <ul className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
        {found.map((substitute) => (
          <li key={substitute.entry.key}>
            <button
              type="button"
              className="flex w-full items-center gap-2 rounded-md p-1 text-left hover:bg-shade"
              onClick={() => onPick(substitute.entry)}
            >
              <RungFigure entry={substitute.entry} className="h-14 w-24 shrink-0" />
              <span className="min-w-0 grow">
                <span className="sr-only">{verb} </span>
                <span className="block leading-tight font-semibold">
                  {substitute.entry.exercise.name}, {substitute.entry.rung.name}
                </span>
                <span className="block text-sm leading-tight text-soft">
                  {changesOf(catalog, substitute)}
                  {conditions.length > 0 && (
                    <>
                      {' · '}
                      <CautionMark verdict={judge(catalog, substitute.entry, conditions).verdict} />
                    </>
                  )}
                </span>
              </span>
              <HeatMark heat={catalog.heat(substitute.entry)} />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** A change of heat that is felt and does not change what a class is. */
const A_LITTLE = 6;

/** What it is to take this one instead, in a few words. */
function changesOf(catalog: Catalog, { entry, heatChange, samePosition, spares, fetches }: Substitute): string {
  const heat = Math.round(heatChange);
  const much = Math.abs(heat) <= A_LITTLE ? 'a little ' : '';
  const warmth = heat === 0 ? 'same effort' : `${much}${heat < 0 ? 'easier' : 'harder'}`;
  const props = entry.props.filter(({ id }) => fetches.includes(id)).map(({ name }) => name.toLowerCase());
  return [
    warmth,
    samePosition ? 'same position' : catalog.graph.name(entry.position),
    ...(spares.length > 0 ? [`spares ${spares.join(', ')}`] : []),
    ...(props.length > 0 ? [`needs ${props.join(', ')}`] : []),
  ].join(', ');
}
