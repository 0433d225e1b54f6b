import {
  armBears,
  dot,
  eachOf,
  type FleshyPart,
  handOf,
  inTheRoom,
  type Point,
  restingPoint,
  SIDES,
  type Side,
  skeletonOf,
} from '../../body';
import { liesOnBack, liesOnSide } from '../../vocabulary/bodies/position';
import type { RungEntry } from '../catalog';
import { allPhases, type Cue } from '../exercise';
import { PLACES, type PlaceRead, type PlaceSaid } from '../features/places';
import { type PropShape, propShape, standingUnder } from '../measuring/propShape';
import { bodiesOf } from '../measuring/rungBodies';
import { entersFrom } from '../plain';

/** Metres by which a part may be off the place that is said of it, beyond what the place itself allows. */
const OFF_M = 0.03;

/** Words that take over what the rung below says. */
const AS_BEFORE = /^(?:as before|same\b|from there|the same)/i;

/** The body of a rung in one of its poses, by its id. */
type Shown = (id: string) => PlaceRead | null;

/** In place of an id: the shape the way in begins from. */
const ENTERS = '';

function shownIn(entry: RungEntry, id: string, heightM: number): PlaceRead | null {
  const pose = id === ENTERS ? entersFrom(entry.rung, entry.like) : entry.rung.poses[id];
  const lies = pose && bodiesOf(entry).placed.get(pose);
  if (!lies) return null;
  const { angles, ground, floor } = lies;
  const body = { angles, ground, bones: skeletonOf(angles, heightM), floor: floor * heightM };
  return { pose, body, heightM, like: entry.like, entry };
}

interface Said {
  readonly cue: Pick<Cue, 'text'>;
  /** Ids of the poses of which one must show it. */
  readonly poses: readonly string[];
}

/**
 * Where words of set-up, action and alignment put a part of the body that the drawn body has elsewhere, as sentences. A
 * set-up is held against the shape it leads into, an action against the shape its phase arrives at, and an alignment
 * against every shape: one must show it.
 */
export function placeDoubts(entry: RungEntry, heightM: number, below: readonly RungEntry[] = []): string[] {
  const { rung, like } = entry;
  const bodies = new Map<string, PlaceRead | null>();
  const bodyIn: Shown = (id) => {
    const known = bodies.get(id) ?? shownIn(entry, id, heightM);
    bodies.set(id, known);
    return known;
  };
  const found = saidOf(entry, below).flatMap(({ cue, poses }) =>
    PLACES.flatMap((place): string[] => {
      const words = place.words.exec(cue.text);
      if (!words || place.unless?.test(cue.text)) return [];
      if (place.like && !place.like.includes(like)) return [];
      const off = poses.flatMap((id) => {
        const shown = bodyIn(id);
        return shown ? [{ id, metres: offBy(place, clauseOf(cue.text, words), shown) }] : [];
      });
      const nearest = off.reduce<(typeof off)[number] | null>(
        (least, each) => (least && least.metres <= each.metres ? least : each),
        null,
      );
      if (!nearest || nearest.metres <= OFF_M) return [];
      return [
        `In “${rung.name}”, “${cue.text}” puts ${place.what}; in ${nearest.id === ENTERS ? 'the shape before the way in' : `pose “${nearest.id}”`} that is ${Math.round(nearest.metres * 100)} cm off. Write the pose so, or say what it shows.`,
      ];
    }),
  );
  return [
    ...found.filter((line, i) => found.indexOf(line) === i),
    ...armsLeft(entry, bodyIn),
    ...notTheOther(rung),
    ...travels(entry, heightM),
  ];
}

/** Words under which an arm may well be in the air. */
const LIFTS_ARMS =
  /\b(?:arms?|hands?|fingers?|palms?)\b[^.;]*\b(?:reach|float|hover|lift|up\b|ceiling|overhead|travel|go\b|open|wide|sweep|swing|behind|forward|in front|back\b|ears?)\w*|\b(?:reach|beat|pump|wings?|curl|weights?|band|stick)\w*/i;
/** Metres above the floor from which a hand is seen to hang in the air. */
const IN_THE_AIR_M = 0.1;
/** Degrees of the shoulder within which an arm was left where the trunk is. */
const LEFT_DEGREES = 30;

/**
 * Arms of somebody who lies that were left in the trunk's line as it rose, and now hang in the air though no words lift
 * them.
 */
function armsLeft({ rung, like }: RungEntry, bodyIn: Shown): readonly string[] {
  if (!liesOnBack(like)) return [];
  // Where nothing is said yet, nothing is said against it.
  const spoken = (rung.cues ?? []).filter(({ kind }) => SPOKEN.has(kind));
  if (spoken.length === 0 || spoken.some(({ text }) => LIFTS_ARMS.test(text))) return [];
  const reached = [...new Set([rung.start, ...rung.phases.map(({ pose }) => pose)])];
  return reached.flatMap((id) => {
    const shown = bodyIn(id);
    if (!shown) return [];
    const { pose, body } = shown;
    const left = SIDES.filter(
      (side) =>
        !armBears(pose, side) &&
        pose.holds?.[handOf(side)] === undefined &&
        Math.abs(body.angles.shoulder[side]) < LEFT_DEGREES &&
        body.angles.elbow[side] < LEFT_DEGREES,
    );
    const high = Math.max(...left.map((side) => dot(body.bones.arm[side].end, body.ground.up) - body.floor));
    if (left.length === 0 || high < IN_THE_AIR_M) return [];
    return [
      `In “${rung.name}”, pose “${id}”, the hands hang ${Math.round(high * 100)} cm over the floor, and no words lift them. Let them rest, or say what the arms do.`,
    ];
  });
}
const SPOKEN: ReadonlySet<string> = new Set(['setup', 'action', 'option']);

/** A phase that says “the other” and does the same again. */
function notTheOther({ name, cues = [], phases }: RungEntry['rung']): readonly string[] {
  return phases.flatMap(({ id, pose }, i) => {
    const says = cues.find(({ kind, phase, text }) => kind === 'action' && phase === id && /\bthe other\b/i.test(text));
    const before = phases.slice(0, i).some((phase) => phase.pose === pose);
    return says && before
      ? [
          `In “${name}”, “${says.text}” moves the same side again: pose “${pose}” has been there before. Write the other.`,
        ]
      : [];
  });
}

/** How what stands is spoken of; of a carriage it is the bar. */
const STANDS: Partial<Record<PropShape, string>> = { chair: 'the chair', wall: 'the wall', carriage: 'the bar' };
/** Metres by which a hand or a foot on it may travel between poses. */
const TRAVELS_M = 0.03;
/** Words of a hand or foot that is meant to travel along what it is on. */
const SLIDES = /\b(?:slid\w*|glid\w*|walk\w*|step\w*|crawl\w*)\b/i;

/** A hand or foot on something that stands, which would have to travel with it from pose to pose. */
function travels(entry: RungEntry, heightM: number): readonly string[] {
  const { rung, props } = entry;
  if ((rung.cues ?? []).some(({ kind, text }) => kind === 'action' && SLIDES.test(text))) return [];
  const { placed } = bodiesOf(entry);
  const reached = [...new Set([rung.start, ...rung.phases.map(({ pose }) => pose)])].flatMap((id) => {
    const pose = rung.poses[id];
    const lies = pose && placed.get(pose);
    return pose && lies ? [{ pose, lies }] : [];
  });
  return Object.keys(rung.on ?? {})
    .flatMap(eachOf)
    .flatMap((support) => {
      const carrier = standingUnder(rung, support, props);
      if (!carrier) return [];
      const thing = STANDS[propShape(carrier)] ?? `“${carrier.name}”`;
      const [part, side] = support.split('.') as [FleshyPart, Side | undefined];
      const places = reached.flatMap(({ pose, lies }): Point[] => {
        const at = pose.supports.flatMap(eachOf).includes(support) && restingPoint(lies.bones, part, side ?? 'left');
        return at ? [inTheRoom(lies, at)] : [];
      });
      const far = Math.max(0, ...places.flatMap((a) => places.map((b) => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z))));
      if (far * heightM <= TRAVELS_M) return [];
      return [
        `In “${rung.name}”, the ${side ? `${side} ` : ''}${part} on ${thing} is ${Math.round(far * heightM * 100)} cm from where it was in another pose, and ${thing} stands still. Write both poses with it in one place, or say that it slides.`,
      ];
    });
}

function saidOf({ rung }: RungEntry, below: readonly RungEntry[]): Said[] {
  const { cues = [], start, entry = [], phases } = rung;
  const begins = [start, ...entry.flatMap(({ pose }) => pose), ...(entry.length > 0 ? [ENTERS] : [])];
  const reached = [...new Set([start, ...phases.map(({ pose }) => pose)])];
  const setUps = cues.filter(({ kind }) => kind === 'setup');
  const inherited: Cue[] = [];
  for (let at = below.length - 1, own = setUps; at >= 0 && own.some(({ text }) => AS_BEFORE.test(text)); at--) {
    own = (below[at]?.rung.cues ?? []).filter(({ kind }) => kind === 'setup');
    inherited.push(...own);
  }
  return [
    ...[...setUps, ...inherited].map((cue) => ({ cue, poses: begins })),
    ...cues.flatMap((cue) => {
      if (cue.kind === 'alignment' && !cue.phase) return [{ cue, poses: reached }];
      if (cue.kind !== 'action' && cue.kind !== 'alignment') return [];
      const phase = allPhases(rung).find(({ id }) => id === cue.phase);
      return phase ? [{ cue, poses: [phase.pose] }] : [];
    }),
  ];
}

/** The words between two stops around a match: whose side it is stands before or after it. */
function clauseOf(text: string, { index, 0: found }: RegExpExecArray): string {
  const before =
    text
      .slice(0, index)
      .split(/[.,;:]/)
      .at(-1) ?? '';
  const after = text.slice(index + found.length).split(/[.,;:]/)[0] ?? '';
  return before + found + after;
}

/** Words that mean one of a pair, whichever. */
const ONE = /\b(?:one|near|far|other|opposite|a|its)\b/i;
const PLURAL = /\b(?:hands|arms|feet|legs|knees|shins|heels|elbows|forearms|thighs|ankles)\b/i;

function offBy(place: PlaceSaid, words: string, read: PlaceRead): number {
  const [left, right] = [place.off(read, 'left'), place.off(read, 'right')];
  if (/\bleft\b/i.test(words)) return left;
  if (/\bright\b/i.test(words)) return right;
  // Lying on a side a body is drawn on its left: the top hand is the right one.
  if (liesOnSide(read.like) && /\btop\b/i.test(words)) return right;
  if (liesOnSide(read.like) && /\b(?:bottom|lower|under)\b/i.test(words)) return left;
  return PLURAL.test(words) && !ONE.test(words) ? Math.max(left, right) : Math.min(left, right);
}
