import type { BasePosition, Pose } from '../../body';
import type { Phase, Rung } from '../../repertoire';
import { rung } from '../studio';

/** A well-known rung with the heat it should have (docs/heat.md, "Anchors"). */
export interface Anchor {
  readonly name: string;
  readonly heat: number;
  readonly like: BasePosition;
  readonly rung: Rung;
}

const phase = (id: string, breath: Phase['breath'], counts: number, pose: string, effort = false): Phase => ({
  id,
  breath,
  counts,
  pose,
  ...(effort ? { effort } : {}),
});
/** Out with the effort there, in on the way back. */
const there = (counts = 3): Phase[] => [phase('p1', 'out', counts, 'away', true), phase('p2', 'in', counts, 'home')];
/** Held through both breaths. */
const held = (counts = 4): Phase[] => [
  phase('p1', 'in', counts, 'home', true),
  phase('p2', 'out', counts, 'home', true),
];

const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const FREE: Pose['supports'] = ['head', 'ribs', 'pelvis'];
const CURLED: Pose = { lumbar: 6, thoracic: 30, neck: 20, supports: ['pelvis'] };
const ALL_FOURS: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] };
const LEG_BACK: Pose = {
  ...ALL_FOURS,
  hip: { left: 90, right: 0 },
  knee: { left: 90, right: 0 },
  supports: ['hands', 'knee.left', 'foot.left'],
};
const PLANK: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
const PRONE: Pose = { supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] };
const TABLETOP: Pose = { hip: 90, knee: 90, supports: FREE };
const CEILING: Pose = { hip: 90, knee: 0, supports: FREE };

const anchor = (
  name: string,
  heat: number,
  like: BasePosition,
  poses: Record<string, Pose>,
  phases: Phase[] = there(),
  change: Partial<Rung> = {},
): Anchor => ({
  name,
  heat,
  like,
  rung: rung('anchor', {
    name,
    poses,
    start: Object.keys(poses)[0] ?? 'home',
    phases,
    dose: { sets: 1, reps: 6 },
    ...change,
  }),
});

const overhead: Partial<Pose> = { shoulder: 170 };

export const ANCHORS: readonly Anchor[] = [
  anchor('lying, hands on ribs', 6, 'supine', { home: { ...LYING, shoulder: 15, elbow: 100 } }, [
    phase('p1', 'in', 4, 'home'),
    phase('p2', 'out', 4, 'home'),
  ]),
  anchor('pelvis tilts', 10, 'supine', { home: LYING, away: { ...LYING, lumbar: 10 } }),
  anchor('one knee floats, other foot down', 20, 'supine', {
    home: LYING,
    away: { ...LYING, hip: { left: 45, right: 90 }, supports: ['head', 'ribs', 'pelvis', 'foot.left'] },
  }),
  anchor('top leg lifts, side-lying', 22, 'side-lying', {
    home: {
      hip: { left: 30, right: 0 },
      knee: { left: 60, right: 0 },
      shoulder: { left: 160, right: 20 },
      supports: ['head', 'ribs', 'pelvis', 'feet'],
    },
    away: {
      hip: { left: 30, right: 0 },
      knee: { left: 60, right: 0 },
      hipAbduction: { left: 0, right: 30 },
      shoulder: { left: 160, right: 20 },
      supports: ['head', 'ribs', 'pelvis', 'foot.left'],
    },
  }),
  anchor('first chest lift in prone, arms by the sides', 22, 'prone', {
    home: PRONE,
    away: { ...PRONE, lumbar: -8, thoracic: -12, supports: ['pelvis', 'thighs', 'feet'] },
  }),
  anchor('bridge, two feet', 26, 'supine', {
    home: LYING,
    away: { hip: 0, knee: 90, supports: ['head', 'shoulders', 'feet'] },
  }),
  anchor('one leg long on hands and knees', 30, 'four-point', { home: ALL_FOURS, away: LEG_BACK }),
  anchor('chest lift, hands behind the head, feet down', 32, 'supine', {
    home: { ...LYING, shoulder: 130, elbow: 140 },
    away: { ...LYING, ...CURLED, shoulder: 130, elbow: 140, supports: ['pelvis', 'feet'] },
  }),
  anchor('both knees over hips held, head down', 34, 'supine', { home: TABLETOP }, held()),
  anchor('opposite arm and leg', 38, 'four-point', {
    home: ALL_FOURS,
    away: { ...LEG_BACK, shoulder: { left: 170, right: 90 }, supports: ['hand.right', 'knee.left', 'foot.left'] },
  }),
  anchor('toe taps from there', 40, 'supine', {
    home: TABLETOP,
    away: { hip: { left: 90, right: 50 }, knee: 90, supports: FREE },
  }),
  anchor('plank on the knees', 38, 'plank', { home: { shoulder: 90, knee: 30, supports: ['hands', 'knees'] } }, held()),
  anchor(
    'single-leg draw, head up',
    54,
    'supine',
    {
      home: {
        ...CURLED,
        hip: { left: 100, right: 45 },
        knee: { left: 100, right: 0 },
        shoulder: 66,
        holds: { 'hand.left': 'shin.left', 'hand.right': 'shin.left' },
      },
      away: {
        ...CURLED,
        hip: { left: 45, right: 100 },
        knee: { left: 0, right: 100 },
        shoulder: 66,
        holds: { 'hand.left': 'shin.right', 'hand.right': 'shin.right' },
      },
    },
    there(2),
  ),
  anchor('full plank', 52, 'plank', { home: PLANK }, held()),
  anchor('full plank, one foot off', 62, 'plank', {
    home: PLANK,
    away: { ...PLANK, hip: { left: 0, right: -12 }, supports: ['hands', 'foot.left'] },
  }),
  anchor(
    'both long legs from the ceiling to 45° and back, head down',
    60,
    'supine',
    { home: CEILING, away: { ...CEILING, hip: 45 } },
    [phase('p1', 'in', 4, 'away'), phase('p2', 'out', 4, 'home', true)],
  ),
  anchor('both long legs to the floor and back', 74, 'supine', { home: CEILING, away: { ...CEILING, hip: 5 } }, [
    phase('p1', 'in', 4, 'away'),
    phase('p2', 'out', 4, 'home', true),
  ]),
  anchor(
    'both long legs to the floor and back, head up',
    86,
    'supine',
    {
      home: { ...CURLED, hip: 90, knee: 0, shoulder: 130, elbow: 140 },
      away: { ...CURLED, hip: 5, knee: 0, shoulder: 130, elbow: 140 },
    },
    [phase('p1', 'in', 4, 'away'), phase('p2', 'out', 4, 'home', true)],
  ),
  anchor('rolling the legs over, from the ceiling', 66, 'supine', {
    home: CEILING,
    away: { hip: 120, knee: 0, lumbar: 50, thoracic: 30, supports: ['head', 'shoulders', 'hands'] },
  }),
  anchor('rolling the legs over, from the floor, arms overhead', 80, 'supine', {
    home: { hip: 5, knee: 0, ...overhead, supports: ['head', 'ribs', 'pelvis', 'feet'] },
    away: { hip: 120, knee: 0, lumbar: 50, thoracic: 30, ...overhead, supports: ['head', 'shoulders'] },
  }),
  anchor('V balance, long legs, arms free', 84, 'supine', {
    home: { hip: 5, knee: 0, ...overhead, supports: ['head', 'ribs', 'pelvis', 'feet'] },
    away: { hip: 95, knee: 0, lumbar: 10, thoracic: 10, shoulder: 80, pitch: 40, supports: ['pelvis'] },
  }),
];

/** Rungs of the house that are the anchors' own movements, with the same heats. */
export const HOUSE_ANCHORS: ReadonlyArray<readonly [key: string, heat: number]> = [
  ['rib-breath/hands-on', 6],
  ['pelvis-tilt/small', 10],
  ['knee-float/single', 20],
  ['side-leg/long', 22],
  ['dart/arms', 22],
  ['bridge-hold/floor', 26],
  ['opposite-reach/leg', 30],
  ['chest-lift/hands-behind', 32],
  ['knee-float/toe-dip', 40],
  ['opposite-reach/arm-leg', 38],
  ['plank/knees', 38],
  ['leg-draw/head-up', 54],
  ['plank/full', 52],
  ['plank/foot-float', 62],
  ['legs-over/hips', 66],
  ['v-seat/arms', 84],
];
