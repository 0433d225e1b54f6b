import {
  JOINT_RANGES,
  type LimbJoint,
  type Pose,
  SIDES,
  type Side,
  TRUNK_JOINTS,
  type TrunkJoint,
} from '@warm-ladder/core/body';
import { NumberField } from '../../../parts/fields/NumberField';
import { withLimb } from './drag';
import { LIMB_WORDS, TRUNK_WORDS } from './joints';

const angleOf = (pose: Pose, joint: LimbJoint, side: Side): number => {
  const angle = pose[joint];
  return (typeof angle === 'object' ? angle[side] : angle) ?? 0;
};

interface AngleFieldProps {
  readonly joint: LimbJoint | TrunkJoint;
  readonly label: string;
  readonly value: number;
  readonly onChange: (degrees: number) => void;
}

function AngleField({ joint, label, value, onChange }: AngleFieldProps) {
  const [min, max] = JOINT_RANGES[joint];
  return (
    <span className="whitespace-nowrap" title={`${min}° to ${max}°`}>
      <NumberField
        label={`${label}, degrees`}
        value={value}
        limits={{ min, max }}
        className="w-10"
        onChange={onChange}
      />
      °
    </span>
  );
}

/** Every angle of a pose in degrees, to be set exactly; each says its range when it is left. */
export function AngleTable({ pose, onPose }: { pose: Pose; onPose: (pose: Pose, field: string) => void }) {
  const limbs = Object.keys(LIMB_WORDS) as LimbJoint[];
  return (
    <table className="h-fit w-full max-w-sm text-[15px]">
      <thead className="text-sm text-soft">
        <tr>
          <th className="text-left font-normal">Angles</th>
          <th className="text-right font-normal">left</th>
          <th className="text-right font-normal">right</th>
        </tr>
      </thead>
      <tbody>
        {limbs.map((joint) => (
          <tr key={joint}>
            <th scope="row" className="text-left font-normal">
              {LIMB_WORDS[joint]}
            </th>
            {SIDES.map((side) => (
              <td key={side} className="text-right">
                <AngleField
                  joint={joint}
                  label={`${side} ${LIMB_WORDS[joint]}`}
                  value={angleOf(pose, joint, side)}
                  onChange={(degrees) => onPose(withLimb(pose, joint, side, degrees), `${joint} ${side}`)}
                />
              </td>
            ))}
          </tr>
        ))}
        {TRUNK_JOINTS.map((joint) => (
          <tr key={joint}>
            <th scope="row" className="text-left font-normal">
              {TRUNK_WORDS[joint]}
            </th>
            <td colSpan={2} className="text-right">
              <AngleField
                joint={joint}
                label={TRUNK_WORDS[joint]}
                value={pose[joint] ?? 0}
                onChange={(degrees) => onPose(withTrunk(pose, joint, degrees), joint)}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A trunk joint at an angle; a pitch of 0 is left unsaid, so that the body leans as it must. */
function withTrunk(pose: Pose, joint: TrunkJoint, degrees: number): Pose {
  if (joint !== 'pitch' || degrees !== 0) return { ...pose, [joint]: degrees };
  const { pitch: _unsaid, ...rest } = pose;
  return rest;
}
