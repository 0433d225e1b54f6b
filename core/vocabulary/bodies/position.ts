/** What a body is like in a position, wherever the position is asked about. */
interface PositionTraits {
  /** The side of the trunk towards the floor; `null` where the spine stands up. */
  readonly down: 'back' | 'front' | 'side' | null;
  /** What carries most of it. */
  readonly on: 'feet' | 'knees' | 'seat' | 'hands-and-knees' | 'hands' | 'trunk';
  /** A shin that bears carries weight on its knee. */
  readonly shinsBear?: true;
  /** Its place in the customary order of a class, from 0. */
  readonly customary: number;
}

/** From the highest to the lowest. */
const ROWS = {
  standing: { down: null, on: 'feet', customary: 7 },
  kneeling: { down: null, on: 'knees', shinsBear: true, customary: 6 },
  seated: { down: null, on: 'seat', shinsBear: true, customary: 3 },
  'four-point': { down: 'front', on: 'hands-and-knees', shinsBear: true, customary: 4 },
  plank: { down: 'front', on: 'hands', customary: 5 },
  'side-lying': { down: 'side', on: 'trunk', customary: 2 },
  prone: { down: 'front', on: 'trunk', customary: 1 },
  supine: { down: 'back', on: 'trunk', customary: 0 },
} as const satisfies Record<string, PositionTraits>;

export type BasePosition = keyof typeof ROWS;
/** The base positions, from the highest to the lowest. */
export const POSITIONS = Object.keys(ROWS) as [BasePosition, ...BasePosition[]];

const TRAITS: Readonly<Partial<Record<string, PositionTraits>>> = ROWS;
const on = (position: string | undefined) => TRAITS[position ?? '']?.on;
const down = (position: string | undefined) => TRAITS[position ?? '']?.down;

/** Each asks of a base position by its id; of any other word nothing is true. */
export const isStanding = (position: string | undefined): boolean => on(position) === 'feet';
export const isKneeling = (position: string | undefined): boolean => on(position) === 'knees';
export const isSeated = (position: string | undefined): boolean => on(position) === 'seat';
export const isOnAllFours = (position: string | undefined): boolean => on(position) === 'hands-and-knees';
export const isInPlank = (position: string | undefined): boolean => on(position) === 'hands';
/** On hands or forearms, the front down. */
export const bearsOnHands = (position: string | undefined): boolean => isInPlank(position) || isOnAllFours(position);
export const isLying = (position: string | undefined): boolean => on(position) === 'trunk';
export const liesOnSide = (position: string | undefined): boolean => isLying(position) && down(position) === 'side';
export const liesOnFront = (position: string | undefined): boolean => isLying(position) && down(position) === 'front';
export const liesOnBack = (position: string | undefined): boolean => isLying(position) && down(position) === 'back';
/** The spine stands up. */
export const isUpright = (position: string | undefined): boolean => down(position) === null;
/** Upright on feet or knees, the hips above them. */
export const isTall = (position: string | undefined): boolean => isUpright(position) && !isSeated(position);
/** Whether a shin that bears carries weight on its knee. */
export const shinsBear = (position: string | undefined): boolean => TRAITS[position ?? '']?.shinsBear === true;
/** The base positions of which something is true, from the highest to the lowest. */
export const positionsWhere = (holds: (position: BasePosition) => boolean): readonly BasePosition[] =>
  POSITIONS.filter(holds);
/** Its place in the customary order of a class, from 0. */
export const customaryPlace = (position: BasePosition): number => ROWS[position].customary;
