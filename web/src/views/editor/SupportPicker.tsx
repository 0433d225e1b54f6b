import { type Pose, SIDES, type Support, supportsOf } from '@warm-ladder/core/body';
import { ChipSet } from '../../parts/ChipSet';
import { NumberField } from '../../parts/NumberField';
import { LIMB_SUPPORTS, TRUNK_SUPPORTS, WEIGHT_WORDS } from './joints';

interface SupportPickerProps {
  readonly pose: Pose;
  readonly onPose: (pose: Pose, field: string) => void;
}

/** The parts that can rest, in three rows: the trunk's and each side's. */
const ROWS = [
  { name: 'trunk', parts: TRUNK_SUPPORTS.map((part) => ({ id: part as string, name: part as string })) },
  ...SIDES.map((side) => ({
    name: side as string,
    parts: LIMB_SUPPORTS.map((part) => ({ id: `${part}.${side}`, name: part as string })),
  })),
];
type Place = keyof typeof WEIGHT_WORDS;
const PLACES = Object.keys(WEIGHT_WORDS) as Place[];

/** What rests on something, and what is held. */
export function SupportPicker({ pose, onPose }: SupportPickerProps) {
  const bearing = [...supportsOf(pose)];
  return (
    <div className="text-[15px]">
      <h3 className="text-sm text-soft">What rests on something</h3>
      {ROWS.map(({ name, parts }) => (
        <div key={name} className="mt-1 flex items-baseline gap-2">
          <span className="w-9 shrink-0 text-sm text-soft">{name}</span>
          <ChipSet
            legend={`What rests: ${name}`}
            all={parts}
            chosen={bearing}
            onChange={(chosen) => {
              const others = bearing.filter((part) => !parts.some(({ id }) => id === part));
              onPose({ ...pose, supports: [...others, ...chosen] as Support[] }, '');
            }}
          />
        </div>
      ))}
      <fieldset className="mt-3">
        <legend className="text-sm text-soft">Held loads</legend>
        <p className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))]">
          {PLACES.map((place) => (
            <span key={place}>
              {WEIGHT_WORDS[place]}{' '}
              <NumberField
                label={`Held at the ${WEIGHT_WORDS[place]}, kg`}
                value={pose.weights?.[place] ?? 0}
                min={0}
                max={30}
                step={0.5}
                className="w-10"
                onChange={(kg) => onPose(withWeight(pose, place, kg), `weight ${place}`)}
              />{' '}
              kg
            </span>
          ))}
        </p>
      </fieldset>
    </div>
  );
}

function withWeight(pose: Pose, place: Place, kg: number): Pose {
  const { weights: old, ...rest } = pose;
  const { [place]: _gone, ...others } = old ?? {};
  const weights = kg > 0 ? { ...others, [place]: kg } : others;
  return Object.keys(weights).length > 0 ? { ...rest, weights } : rest;
}
