import { eachOf, type Pose, supportsOf } from '../../body';
import type { RungEntry } from '../catalog';
import { allPhases } from '../exercise';
import { entersFrom } from '../plain';

/** Cues that bring a part to touch something where the pose they are spoken in lets it hang, as sentences. */
export function touchDoubts({ rung, like }: RungEntry): string[] {
  return (rung.cues ?? []).flatMap((cue) => {
    const at = allPhases(rung).find(({ id }) => id === cue.phase)?.pose ?? rung.start;
    // A set-up leads into the shape the way in begins from, where there is one.
    const from = cue.kind === 'setup' ? entersFrom(rung, like) : null;
    const poses = [rung.poses[at] ?? [], from ?? []].flat();
    const hanging = (cue.touches ?? []).filter((part) => poses.length > 0 && !poses.some((pose) => touch(part, pose)));
    return hanging.map(
      (part) =>
        `In “${rung.name}”, “${cue.text}” says of “${part}” that it touches; in pose “${at}” nothing of that name rests or holds. Let it, or take it out of what the cue touches.`,
    );
  });
}

/** Whether a part rests or, being a hand, holds; of a pair, both. */
function touch(part: string, pose: Pose): boolean {
  const touching = new Set([...supportsOf(pose), ...Object.keys(pose.holds ?? {})]);
  return eachOf(part).every((each) => touching.has(each));
}
