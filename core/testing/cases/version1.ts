import type { Bundle } from '../../formats';

export type Json = Record<string, unknown>;

/** The bundle as version 1 has it: without the ids of blocks, phases, cues and lines. */
export function inVersion1(
  bundle: Bundle,
  change: (file: Json & { exercises: Json[]; classes: Json[] }) => void = () => {},
): Json {
  const file = JSON.parse(
    JSON.stringify({ ...bundle, version: 1 }, function (this: unknown, key, value) {
      const within = key === 'blocks' || key === 'phases' || key === 'entry' || key === 'exit' || key === 'cues';
      return within && Array.isArray(value) ? value.map(({ id: _id, ...rest }: Json) => rest) : value;
    }),
  );
  change(file);
  return file;
}
