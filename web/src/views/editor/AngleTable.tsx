import {
  JOINT_RANGES,
  type LimbJoint,
  type Pose,
  SIDES,
  type Side,
  TRUNK_JOINTS,
  type TrunkJoint,
} from '@warm-ladder/core/body';
import { NumberField } from '../../parts/NumberField';
import { withLimb } from './drag';
import { LIMB_WORDS, TRUNK_WORDS } from './joints';

const angleOf = (pose: Pose, joint: LimbJoint, side: Side): number => {
  const angle = pose[joint];
  return (typeof angle === 'object' ? angle[side] : angle) ?? 0;
};

/** Every angle of a pose in degrees, to be set exactly; each says its range when it is left. */
export function AngleTable({ pose, onPose }: { pose: Pose; onPose: (pose: Pose, field: string) => void }) {
  const limbs = Object.keys(LIMB_WORDS) as LimbJoint[];
  return (
    <div className="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-x-6 text-[15px]">
      <table className="w-full">
        <thead className="text-sm text-soft">
          <tr>
            <th className="text-left font-normal">Limbs</th>
            <th className="text-right font-normal">left</th>
            <th className="text-right font-normal">right</th>
          </tr>
        </thead>
        <tbody>
          {limbs.map((joint) => (
            <tr key={joint} title={rangeOf(joint)}>
              <th scope="row" className="text-left font-normal">
                {LIMB_WORDS[joint]}
              </th>
              {SIDES.map((side) => (
                <td key={side} className="text-right whitespace-nowrap">
                  <NumberField
                    label={`${side} ${LIMB_WORDS[joint]}, degrees`}
                    value={angleOf(pose, joint, side)}
                    min={JOINT_RANGES[joint][0]}
                    max={JOINT_RANGES[joint][1]}
                    className="w-10"
                    onChange={(degrees) => onPose(withLimb(pose, joint, side, degrees), `${joint} ${side}`)}
                  />
                  °
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <table className="h-fit w-full">
        <thead className="text-sm text-soft">
          <tr>
            <th className="text-left font-normal">Trunk</th>
            <th>
              <span className="sr-only">degrees</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {TRUNK_JOINTS.map((joint) => (
            <tr key={joint} title={rangeOf(joint)}>
              <th scope="row" className="text-left font-normal">
                {TRUNK_WORDS[joint]}
              </th>
              <td className="text-right whitespace-nowrap">
                <NumberField
                  label={`${TRUNK_WORDS[joint]}, degrees`}
                  value={pose[joint] ?? 0}
                  min={JOINT_RANGES[joint][0]}
                  max={JOINT_RANGES[joint][1]}
                  className="w-10"
                  onChange={(degrees) => onPose(withTrunk(pose, joint, degrees), joint)}
                />
                °
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A trunk joint at an angle; a pitch of 0 is left unsaid, so that the body leans as it must. */
function withTrunk(pose: Pose, joint: TrunkJoint, degrees: number): Pose {
  if (joint !== 'pitch' || degrees !== 0) return { ...pose, [joint]: degrees };
  const { pitch: _unsaid, ...rest } = pose;
  return rest;
}

const rangeOf = (joint: keyof typeof JOINT_RANGES): string =>
  `${JOINT_RANGES[joint][0]}° to ${JOINT_RANGES[joint][1]}°`;
