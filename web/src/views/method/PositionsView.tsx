import { type BasePosition, POSITIONS, type Side, type StudioPosition } from '@warm-ladder/core/body';
import { hasOwnEdge, type MethodFile, withEdge } from '@warm-ladder/core/method';
import { type Catalog, plainPose } from '@warm-ladder/core/repertoire';
import { Plus, RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange, useMethodChange } from '../../app/store/edits';
import { selectCatalog, selectMethod, selectPositions } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Figure } from '../../figure/Figure';
import { DeleteButton } from '../../parts/DeleteButton';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';

const UNSAID: MethodFile = {};

/** A base position, or the side one lies on. */
type BasePlace = Exclude<BasePosition, 'side-lying'> | `side-${Side}`;
/** Where each place stands in the picture, in percent: upright above, the floor below. A new one does not compile without. */
const BASE_PLACES: Readonly<Record<BasePlace, readonly [number, number]>> = {
  standing: [50, 9],
  kneeling: [24, 27],
  seated: [70, 33],
  'four-point': [13, 52],
  plank: [7, 82],
  'side-left': [43, 60],
  'side-right': [69, 57],
  prone: [32, 88],
  supine: [90, 84],
};
const PLACES: Readonly<Record<string, readonly [number, number]>> = BASE_PLACES;
const NAMES: Readonly<Record<string, string>> = { 'side-left': 'on the left side', 'side-right': 'on the right side' };

/** The position graph as a picture to work on: every way from one place to the next with its seconds; positions of one's own. */
export function Component() {
  const catalog = useAppSelector(selectCatalog);
  const method = useAppSelector(selectMethod) ?? UNSAID;
  const own = useAppSelector(selectPositions);
  const [from, setFrom] = useState('standing');
  const [to, setTo] = useState('supine');
  return (
    <main className="mx-auto w-full max-w-[1280px] px-4 py-4">
      <p>
        <Link to="/method" className="underline decoration-dotted underline-offset-4">
          Method
        </Link>
      </p>
      <h1 className="font-name text-3xl font-semibold">Positions and the ways between</h1>
      <p className="mt-1 max-w-prose text-soft">
        Seconds to go from one place to the next, the same both ways. People always go the shortest way; a slower room
        takes longer by its pace.
      </p>
      <div className="mt-3 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div>
          <Ways catalog={catalog} method={method} way={catalog.graph.path(from, to).places} />
          <p className="mt-2 flex flex-wrap items-baseline gap-2">
            From <PlaceChoice label="From" catalog={catalog} value={from} onChange={setFrom} /> to{' '}
            <PlaceChoice label="To" catalog={catalog} value={to} onChange={setTo} />
            <output aria-label="The shortest way">{wayText(catalog, from, to)}</output>
          </p>
        </div>
        <OwnPositions catalog={catalog} own={own} />
      </div>
    </main>
  );
}

const nameOf = (catalog: Catalog, place: string): string => NAMES[place] ?? catalog.graph.name(place);

function wayText(catalog: Catalog, from: string, to: string): string {
  if (from === to) return 'Nobody moves.';
  const { seconds, places } = catalog.graph.path(from, to);
  if (!Number.isFinite(seconds)) return 'No way leads there.';
  const through = places.slice(1, -1).map((place) => nameOf(catalog, place));
  return `${Math.round(seconds)} s${through.length > 0 ? `, through ${through.join(' and ')}` : ''}`;
}

interface PlaceChoiceProps {
  readonly label: string;
  readonly catalog: Catalog;
  readonly value: string;
  readonly onChange: (place: string) => void;
}

const PlaceChoice = ({ label, catalog, value, onChange }: PlaceChoiceProps) => (
  <select className="field" aria-label={label} value={value} onChange={({ target }) => onChange(target.value)}>
    {placesOf(catalog).map((place) => (
      <option key={place} value={place}>
        {nameOf(catalog, place)}
      </option>
    ))}
  </select>
);

const placesOf = ({ graph }: Catalog): string[] =>
  graph.positions.filter((each) => graph.isBase(each)).flatMap((each) => graph.placesOf(each));

interface WaysProps {
  readonly catalog: Catalog;
  readonly method: MethodFile;
  /** Places of the way that is asked for. */
  readonly way: readonly string[];
}

function Ways({ catalog, method, way }: WaysProps) {
  const change = useMethodChange();
  const edges = catalog.graph.edges.filter(([from, to]) => from in PLACES && to in PLACES);
  const onWay = (from: string, to: string) =>
    way.some((place, i) => (place === from && way[i + 1] === to) || (place === to && way[i + 1] === from));
  return (
    <div className="relative h-[34rem] w-full overflow-hidden">
      <svg className="absolute inset-0 size-full" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
        {edges.map(([from, to]) => {
          const [[x1, y1], [x2, y2]] = [placeOf(from), placeOf(to)];
          return (
            <line
              key={`${from}>${to}`}
              {...{ x1, y1, x2, y2 }}
              className={onWay(from, to) ? 'stroke-cobalt' : 'stroke-line'}
              strokeWidth={onWay(from, to) ? 4 : 1.5}
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
      </svg>
      {Object.entries(PLACES).map(([place, [x, y]]) => (
        <div
          key={place}
          className="absolute w-28 -translate-x-1/2 -translate-y-1/2 rounded bg-paper text-center text-sm leading-tight"
          style={{ left: `${x}%`, top: `${y}%` }}
        >
          <Figure
            pose={plainPose(likeOf(place))}
            like={likeOf(place)}
            className={`mx-auto h-12 w-20 ${place === 'side-right' ? '-scale-x-100' : ''}`}
          />
          {nameOf(catalog, place)}
        </div>
      ))}
      <ul>
        {edges.map(([from, to, seconds]) => {
          const [[x1, y1], [x2, y2]] = [placeOf(from), placeOf(to)];
          const own = hasOwnEdge(method, from, to);
          const label = `${nameOf(catalog, from)} to ${nameOf(catalog, to)}, seconds`;
          return (
            <li
              key={`${from}>${to}`}
              className="absolute flex -translate-x-1/2 -translate-y-1/2 items-center rounded-full bg-sheet text-sm whitespace-nowrap"
              style={{ left: `${(x1 + x2) / 2}%`, top: `${(y1 + y2) / 2}%` }}
            >
              <NumberField
                label={label}
                value={seconds}
                limits={LIMITS.Method.edgeSeconds}
                className={`w-9 ${own ? 'font-semibold' : ''}`}
                onChange={(next) => change(withEdge(method, from, to, next), label)}
              />
              <span className="pr-1.5">s</span>
              {own && (
                <button
                  type="button"
                  className="rounded-full p-1 hover:bg-shade"
                  title="Back to where it started"
                  onClick={() => change(withEdge(method, from, to, null), label)}
                >
                  <RotateCcw className="size-3.5" aria-hidden="true" />
                  <span className="sr-only">{label}: back to where it started</span>
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

const placeOf = (place: string) => PLACES[place] ?? [50, 50];
const likeOf = (place: string): BasePosition =>
  place.startsWith('side-') ? 'side-lying' : (POSITIONS.find((each) => each === place) ?? 'standing');

/** Positions the studio has added: each with the one of the eight it is like, and how it is reached. */
function OwnPositions({ catalog, own }: { catalog: Catalog; own: readonly StudioPosition[] }) {
  const change = useChange();
  const put = (position: StudioPosition, field: string) =>
    change('positions', position.id, position, `the position ${position.name}`, field);
  const used = (id: string) =>
    catalog.exercises.filter(({ position }) => position === id).length + own.filter(({ edges }) => id in edges).length;
  const add = () => {
    const name = 'New position';
    put({ id: newId(name), name, like: 'standing', edges: { standing: 5 } }, '');
  };
  return (
    <section aria-label="Positions of the studio" className="min-w-0">
      <div className="flex items-baseline gap-3">
        <h2 className="grow font-name text-xl font-semibold">Positions of your own</h2>
        <button type="button" className="action text-sm" onClick={add}>
          <Plus className="size-4" aria-hidden="true" /> Add a position
        </button>
      </div>
      <p className="text-sm text-soft">A chair, a wall, a carriage: drawn and measured like one of the eight.</p>
      {own.length === 0 && <p className="mt-2">None yet.</p>}
      <ul className="mt-2 flex flex-col divide-y divide-line">
        {own.map((position) => (
          <li key={position.id} className="py-2">
            <div className="flex items-center gap-2">
              <Figure pose={plainPose(position.like)} like={position.like} className="h-10 w-16 shrink-0" />
              <TextField
                label="Name of the position"
                value={position.name}
                className="min-w-0 grow font-semibold"
                onChange={(name) => put({ ...position, name }, 'name')}
              />
              <DeleteButton
                words={`Remove ${position.name}`}
                against={used(position.id) > 0 ? 'Ladders are in it, or a way leads through it' : undefined}
                onPress={() => change('positions', position.id, undefined, `removing ${position.name}`)}
              />
            </div>
            <p className="flex flex-wrap items-baseline gap-x-1.5 text-[15px]">
              like{' '}
              <select
                className="field"
                aria-label={`${position.name} is like`}
                value={position.like}
                onChange={({ target }) =>
                  put({ ...position, like: POSITIONS.find((each) => each === target.value) ?? position.like }, 'like')
                }
              >
                {POSITIONS.map((each) => (
                  <option key={each}>{each}</option>
                ))}
              </select>
              {Object.entries(position.edges).map(([neighbour, seconds]) => (
                <span key={neighbour}>
                  · {catalog.graph.name(neighbour)}{' '}
                  <NumberField
                    label={`${position.name} to ${catalog.graph.name(neighbour)}, seconds`}
                    value={seconds}
                    limits={LIMITS.Position.edges}
                    className="w-9"
                    onChange={(next) =>
                      put({ ...position, edges: { ...position.edges, [neighbour]: next } }, neighbour)
                    }
                  />{' '}
                  s
                  {Object.keys(position.edges).length > 1 && (
                    <button
                      type="button"
                      className="rounded px-1 text-soft hover:bg-shade"
                      onClick={() => {
                        const { [neighbour]: _gone, ...edges } = position.edges;
                        put({ ...position, edges }, '');
                      }}
                    >
                      <span aria-hidden="true">×</span>
                      <span className="sr-only">
                        Remove the way from {position.name} to {catalog.graph.name(neighbour)}
                      </span>
                    </button>
                  )}
                </span>
              ))}
              <select
                className="field text-soft"
                aria-label={`Another way from ${position.name}`}
                value=""
                onChange={({ target }) => put({ ...position, edges: { ...position.edges, [target.value]: 5 } }, '')}
              >
                <option value="">another way…</option>
                {catalog.graph.positions
                  .filter((each) => each !== position.id && !(each in position.edges))
                  .map((each) => (
                    <option key={each} value={each}>
                      {catalog.graph.name(each)}
                    </option>
                  ))}
              </select>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
