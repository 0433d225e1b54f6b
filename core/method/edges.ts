import type { MethodFile } from './methodSchema';

/** The key under which a method has the seconds of an edge, whichever way round it was written. */
function keyOf(edges: Readonly<Record<string, number>>, from: string, to: string): string {
  const back = `${to}>${from}`;
  return back in edges ? back : `${from}>${to}`;
}

/** Whether the house has its own seconds for an edge. */
export const hasOwnEdge = ({ edgeSeconds = {} }: MethodFile, from: string, to: string): boolean =>
  keyOf(edgeSeconds, from, to) in edgeSeconds;

/**
 * The method with an edge of the position graph taking other seconds; both ways cost the same.
 * @param seconds 0 to 300; `null` gives the edge back the seconds it starts from
 */
export function withEdge(method: MethodFile, from: string, to: string, seconds: number | null): MethodFile {
  const { edgeSeconds = {}, ...rest } = method;
  const key = keyOf(edgeSeconds, from, to);
  const { [key]: _old, ...others } = edgeSeconds;
  const next = seconds === null ? others : { ...others, [key]: seconds };
  return Object.keys(next).length > 0 ? { ...rest, edgeSeconds: next } : rest;
}
