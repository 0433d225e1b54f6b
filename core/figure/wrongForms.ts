import type { Cue, RungEntry } from '../repertoire';
import { type Frame, frameOf } from './drawing';
import { isOnFloor, type Scene, sceneOf } from './scene';
import { viewOfForms } from './viewOfRung';

/** A fault that is drawn: the wrong form and the right one it is held against, in one window. */
export interface WrongForm {
  readonly cue: Cue;
  readonly right: Scene;
  readonly wrong: Scene;
}

/** What a wrong form and the right one beside it are called wherever they are drawn. */
export const FORM_WORDS = { right: 'So', wrong: 'Not so' } as const;

/**
 * The faults of a rung that show a wrong form, each beside the form it is mistaken for.
 * @param said ids of the cues that are told; all where left out
 */
export function wrongFormsOf(entry: RungEntry, said?: ReadonlySet<string>): WrongForm[] {
  const { rung, like } = entry;
  return (rung.cues ?? []).flatMap((cue): WrongForm[] => {
    if (cue.kind !== 'fault' || cue.pose === undefined || said?.has(cue.id) === false) return [];
    const [so, notSo] = [rung.poses[rightPoseOf(entry, cue)], rung.poses[cue.pose]];
    if (!so || !notSo) return [];
    const view = viewOfForms(entry, so, notSo);
    const [right, wrong] = [sceneOf({ pose: so, like, view, entry }), sceneOf({ pose: notSo, like, view, entry })];
    const frame: Frame = frameOf([right.drawing, wrong.drawing], view, isOnFloor(entry));
    return [{ cue, right: { ...right, frame }, wrong: { ...wrong, frame } }];
  });
}

/** The pose a fault spoils: the one its phase arrives at, else where the rung goes, else where it begins. */
function rightPoseOf({ rung }: RungEntry, { phase: id }: Cue): string {
  const said = rung.phases.find((phase) => phase.id === id);
  const away = rung.phases.filter(({ pose }) => pose !== rung.start);
  return (said ?? away.find(({ effort }) => effort) ?? away[0])?.pose ?? rung.start;
}
