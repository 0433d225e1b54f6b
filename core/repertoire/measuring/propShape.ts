import type { Surfaces } from '../../body';
import { POSITIONS, SINGLE_OF, type Support } from '../../body';
import type { RungEntry } from '../catalog';
import type { Prop, Rung } from '../exercise';

/** What a prop looks like: enough to draw it and to know what of a body it carries. */
const PROP_SHAPES = [
  'cushion',
  'ball',
  'roller',
  'band',
  'weights',
  'stick',
  'chair',
  'wall',
  'carriage',
  'box',
] as const;
export type PropShape = (typeof PROP_SHAPES)[number];

/** Words by which a prop is known, in its id or its name; the first that is found. */
const WORDS: ReadonlyArray<readonly [PropShape, RegExp]> = [
  ['carriage', /carriage|sledge/],
  ['chair', /chair|stool/],
  ['wall', /wall|door/],
  ['roller', /roller/],
  ['ball', /ball/],
  ['band', /band|strap|scarf|loop|belt/],
  ['weights', /weight|dumb-?bell|bottle/],
  ['stick', /stick|pole|staff|broom/],
  ['cushion', /cushion|towel|pillow|blanket|folded|pad/],
];

/** The shape of a prop; something of its height, a block or a bench, where nothing is known of it. */
export function propShape({ id, name }: Pick<Prop, 'id' | 'name'>): PropShape {
  const words = `${id} ${name}`.toLowerCase();
  return WORDS.find(([, known]) => known.test(words))?.[0] ?? 'box';
}

/** Metres of a seat, and of a block of unsaid height. */
export const SEAT_M = 0.44;
const BLOCK_M = 0.25;

/** How high a cushion still is under what presses it hard, metres; a head lies on it wherever the neck lets it,
 * and a shin slopes down from its knee. */
const PRESSED_M: Readonly<Record<string, number>> = { knee: 0.04, foot: 0.05, pelvis: 0.1 };

const TRUNK: ReadonlySet<string> = new Set(['pelvis', 'ribs', 'shoulders', 'head']);

const LEG = /^(foot|heel|toe|shin|knee|thigh)\b/;

/** The prop that carries a support, one of a pair or both named. */
export function carrierOf(rung: Rung, support: string, props: readonly Prop[]): Prop | undefined {
  const { on } = rung;
  if (!on) return undefined;
  const id = on[support as Support] ?? pairOf(support).map((pair) => on[pair])[0];
  return props.find((prop) => prop.id === id);
}

const PAIR_OF = Object.fromEntries(Object.entries(SINGLE_OF).map(([pair, single]) => [single, pair]));
const pairOf = (support: string): Support[] => {
  const pair = PAIR_OF[support.split('.')[0] ?? ''];
  return pair ? [pair as Support] : [];
};

/** What stands where it stands, whatever the body does: on a carriage, its bar. */
const STANDS: ReadonlySet<PropShape> = new Set<PropShape>(['chair', 'wall', 'carriage', 'box']);
const OF_LIMB = /^(?:hand|fist|forearm|elbow|foot|heel|toe)/;

/**
 * The thing that stands still under a hand or a foot: where one is put on it, it stays, and as high as it was first put;
 * `undefined` for what goes with the body, and for the trunk and the knees, which may slide along it.
 */
export function standingUnder(rung: Rung, support: string, props: readonly Prop[]): Prop | undefined {
  if (!OF_LIMB.test(support)) return undefined;
  const carrier = carrierOf(rung, support, props);
  return carrier && STANDS.has(propShape(carrier)) ? carrier : undefined;
}

/** What a body of a rung can rest on. */
type Carried = Pick<RungEntry, 'rung' | 'props' | 'position'>;

const isBase = (position: string): boolean => (POSITIONS as readonly string[]).includes(position);

/**
 * Whether a body lies on an apparatus of the studio's own: then hands and feet press what they press. Who kneels or
 * stands there rests on it.
 */
export const liesOnApparatus = ({ position, rung }: Omit<Carried, 'props'>): boolean =>
  !isBase(position) && Object.values(rung.poses).some(({ supports }) => supports?.some((each) => TRUNK.has(each)));

/**
 * How high what carries each support lies: a seat, a block, a roller; `null` for what may be anywhere, a wall, a bar,
 * and for the limbs of a body that lies on an apparatus of the studio's own.
 */
export function surfacesOf({ position, rung, props }: Carried): Surfaces {
  const base = isBase(position);
  const sits = props.some((prop) => propShape(prop) === 'chair') && carrierOf(rung, 'pelvis', props) !== undefined;
  const lain = liesOnApparatus({ position, rung });
  return (support) => {
    const carrier = carrierOf(rung, support, props);
    if (carrier) return heightOf(carrier, support);
    if (base || sits || TRUNK.has(support)) return 0;
    return !lain && LEG.test(support) ? 0 : null;
  };
}

function heightOf(prop: Prop, support: string): number | null {
  switch (propShape(prop)) {
    case 'chair':
      return support.startsWith('hand') ? null : SEAT_M;
    case 'band':
      return 0;
    case 'wall':
    case 'carriage':
      return null;
    case 'cushion':
      return support === 'head' || support.startsWith('shin')
        ? null
        : Math.min(prop.heightM ?? BLOCK_M, PRESSED_M[support.split('.')[0] ?? ''] ?? 1);
    default:
      // How high a head lies on something unmeasured is the neck's business.
      return prop.heightM ?? (support === 'head' ? null : BLOCK_M);
  }
}
