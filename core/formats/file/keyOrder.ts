import type { Pose } from '../../body';
import { allPhases, type Exercise, type Rung } from '../../repertoire';
import { type Bundle, COLLECTIONS, type DocumentKind, type DocumentOf } from './bundle';
import type { DocumentChange } from './documents';

/** An object with its keys in an order; itself where they are in it. */
function inOrder<T extends object>(object: T, order: readonly string[]): T {
  if (Object.keys(object).every((key, i) => key === order[i])) return object;
  return Object.fromEntries(order.map((key) => [key, object[key as keyof T]])) as T;
}
const byName = <T extends object>(object: T): T => inOrder(object, Object.keys(object).sort());

/** An object with some of its parts put in order; itself where they are. */
function having<T extends object>(object: T, parts: Partial<T>): T {
  const other = (Object.keys(parts) as Array<keyof T>).some((key) => parts[key] !== object[key]);
  return other ? { ...object, ...parts } : object;
}
const part = <K extends string, V extends object>(key: K, value: V | undefined): { readonly [P in K]?: V } =>
  value === undefined ? {} : ({ [key]: byName(value) } as { readonly [P in K]?: V });

const poseInOrder = (pose: Pose): Pose =>
  having(pose, { ...part('weights', pose.weights), ...part('holds', pose.holds) });

/** Poses in the order in which the rung goes through them; those nothing goes to come last, by their names. */
function rungInOrder(rung: Rung): Rung {
  const poses = Object.fromEntries(Object.entries(rung.poses).map(([id, pose]) => [id, poseInOrder(pose)]));
  const same = Object.keys(poses).every((id) => poses[id] === rung.poses[id]);
  const reached = new Set([rung.start, ...allPhases(rung).map(({ pose }) => pose)].filter((id) => id in poses));
  const others = Object.keys(poses).filter((id) => !reached.has(id));
  const inLine = inOrder(same ? rung.poses : poses, [...reached, ...others.sort()]);
  return having(rung, { poses: inLine, ...part('on', rung.on) });
}

function exerciseInOrder(exercise: Exercise): Exercise {
  const rungs = exercise.rungs.map(rungInOrder);
  return rungs.every((rung, i) => rung === exercise.rungs[i]) ? exercise : { ...exercise, rungs };
}

const IN_ORDER: { readonly [K in DocumentKind]?: (value: DocumentOf<K>) => DocumentOf<K> } = {
  exercises: exerciseInOrder,
  positions: (position) => having(position, part('edges', position.edges)),
  rooms: (room) => having(room, part('props', room.props)),
  method: (method) =>
    having(method, { ...part('directionBands', method.directionBands), ...part('edgeSeconds', method.edgeSeconds) }),
};

/**
 * A document as read by its schema, its free keys too in their one order: a store that does not keep the order of keys
 * gives it back as it went in. Itself where all are in order.
 */
export function inKeyOrder<K extends DocumentKind>(kind: K, value: DocumentOf<K>): DocumentOf<K> {
  const order = IN_ORDER[kind] as ((value: DocumentOf<K>) => DocumentOf<K>) | undefined;
  return order ? order(value) : value;
}

/** A change whose document is in order. */
export const changeInOrder = <C extends DocumentChange>(change: C): C =>
  change.value === undefined ? change : { ...change, value: inKeyOrder(change.kind, change.value) };

/** A file whose documents are in order. */
export function bundleInOrder(bundle: Bundle): Bundle {
  const lists = COLLECTIONS.flatMap((kind) => {
    const list = bundle[kind];
    return list ? [[kind, list.map((value) => inKeyOrder(kind, value))]] : [];
  });
  const { method } = bundle;
  return { ...bundle, ...(method ? { method: inKeyOrder('method', method) } : {}), ...Object.fromEntries(lists) };
}
