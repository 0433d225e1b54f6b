import type { Unit } from '../measure';

/**
 * What a rung does to a body, read from its poses and phases and from nothing else: what cautions, exposures,
 * preparation and substitutes act on, so that a new exercise is covered the moment its poses exist.
 * `peak` features are the most of any moment; `time` features are seconds at a stretch; a `rate` is the most of any
 * phase, in the seconds that the room's counts give it.
 */
export const FEATURES = {
  loadedFlexion: { kind: 'peak', unit: '°', words: 'bending forward under load' },
  extension: { kind: 'peak', unit: '°', words: 'bending back' },
  rotation: { kind: 'peak', unit: '°', words: 'turning the spine' },
  sideBend: { kind: 'peak', unit: '°', words: 'bending sideways' },
  legLever: { kind: 'peak', unit: 'N·m', words: 'leg lever' },
  doubleLegLever: { kind: 'peak', unit: 'N·m', words: 'double-leg lever' },
  curlLever: { kind: 'peak', unit: 'N·m', words: 'curl lever' },
  bellyMoment: { kind: 'peak', unit: 'N·m', words: 'the belly wall holding the body' },
  backMoment: { kind: 'peak', unit: 'N·m', words: 'back and seat holding the body' },
  inversion: { kind: 'peak', unit: '°', words: 'hips above the head' },
  neckWeight: { kind: 'peak', unit: '°', words: 'weight rolled towards the neck' },
  hipFlexion: { kind: 'peak', unit: '°', words: 'hip bent' },
  hipAcross: { kind: 'peak', unit: '°', words: 'leg across the midline' },
  hipTurnedIn: { kind: 'peak', unit: '°', words: 'hip turned in' },
  straddle: { kind: 'peak', unit: '°', words: 'legs wide apart' },
  kneeBend: { kind: 'peak', unit: '°', words: 'knee bent under weight' },
  hamstrings: { kind: 'peak', unit: '°', words: 'hamstrings lengthened' },
  anklePointed: { kind: 'peak', unit: '°', words: 'weight over a pointed ankle' },
  ankleBent: { kind: 'peak', unit: '°', words: 'shin leaning over the foot' },
  armOverhead: { kind: 'peak', unit: '°', words: 'arm raised' },
  handLoad: { kind: 'peak', unit: 'kg', words: 'weight held in the hands' },
  headSweep: { kind: 'peak', unit: '°', words: 'head swept through space' },
  rolling: { kind: 'peak', unit: '', words: 'rolling along the spine' },
  barGrip: { kind: 'peak', unit: '', words: 'hands pressing a bar' },
  fastTwist: { kind: 'rate', unit: '°/s', words: 'turning the trunk fast' },
  headLifted: { kind: 'time', unit: 's', words: 'head lifted' },
  pronePressure: { kind: 'time', unit: 's', words: 'lying on the belly' },
  flatOnBack: { kind: 'time', unit: 's', words: 'flat on the back' },
  extendedWrists: { kind: 'time', unit: 's', words: 'weight on extended wrists' },
  armsBearing: { kind: 'time', unit: 's', words: 'weight on the arms' },
  kneeling: { kind: 'time', unit: 's', words: 'weight on the knees' },
  oneFoot: { kind: 'time', unit: 's', words: 'standing on one foot' },
  longHold: { kind: 'time', unit: 's', words: 'holding still under load' },
  longDoubleLever: { kind: 'time', unit: 's', words: 'long double-leg lever' },
  breathHeld: { kind: 'time', unit: 's', words: 'breath held with effort' },
} as const satisfies Record<string, { kind: 'peak' | 'time' | 'rate'; unit: Unit; words: string }>;
export type Feature = keyof typeof FEATURES;
export const FEATURE_IDS = Object.keys(FEATURES) as [Feature, ...Feature[]];

type FeatureOf<K extends 'peak' | 'time' | 'rate'> = {
  [F in Feature]: (typeof FEATURES)[F]['kind'] extends K ? F : never;
}[Feature];
export type PeakFeature = FeatureOf<'peak'>;
export type TimeFeature = FeatureOf<'time'>;
export type RateFeature = FeatureOf<'rate'>;

const ofKind = <K extends 'peak' | 'time' | 'rate'>(kind: K) =>
  FEATURE_IDS.filter((feature) => FEATURES[feature].kind === kind) as Array<FeatureOf<K>>;
export const PEAK_FEATURES = ofKind('peak');
export const TIME_FEATURES = ofKind('time');
