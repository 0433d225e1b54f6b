import { HANDS, type Pose, SIDES, supportsOf, withHold, withSupports, withWeight } from '@warm-ladder/core/body';
import type { Prop } from '@warm-ladder/core/repertoire';
import { ChipSet } from '../../../parts/fields/ChipSet';
import { LIMITS } from '../../../parts/fields/limits';
import { NumberField } from '../../../parts/fields/NumberField';
import { HoldField } from './HoldField';
import { LIMB_SUPPORTS, TRUNK_SUPPORTS, WEIGHT_PLACES, WEIGHT_WORDS } from './joints';

interface SupportPickerProps {
  readonly pose: Pose;
  /** Those of the rung: hands may hold them. */
  readonly props: readonly Prop[];
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

/** What rests on something, and what is held. */
export function SupportPicker({ pose, props, onPose }: SupportPickerProps) {
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
              const gone = parts.flatMap(({ id }) => (chosen.includes(id) ? [] : [id]));
              onPose(withSupports(withSupports(pose, gone, false), chosen, true), '');
            }}
          />
        </div>
      ))}
      <div className="mt-3 flex flex-wrap gap-x-4">
        {HANDS.map((hand, i) => (
          <HoldField
            key={hand}
            words={`${SIDES[i]} hand holds`}
            label={`${SIDES[i]} hand holds`}
            value={pose.holds?.[hand]}
            props={props}
            onChange={(held) => onPose(withHold(pose, hand, held), '')}
          />
        ))}
      </div>
      <fieldset className="mt-3">
        <legend className="text-sm text-soft">Held loads</legend>
        <p className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))]">
          {WEIGHT_PLACES.map((place) => (
            <span key={place}>
              {WEIGHT_WORDS[place]}{' '}
              <NumberField
                label={`Held at the ${WEIGHT_WORDS[place]}, kg`}
                value={pose.weights?.[place] ?? 0}
                limits={LIMITS.Pose.weights}
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
