import { type Line, withOwnWords } from '../../plan';
import type { Phase } from '../../repertoire';
import type { PassLines, ScriptLine, Unnamed } from './line';

/** The lines of a pass with the class's own words in their place, each beside the words it replaced. */
export const withOwnLines = (
  drafted: readonly Unnamed[],
  own: readonly Line[],
  phases: readonly Phase[],
  pass: 1 | 2,
): PassLines<Unnamed> => withOwnWords(drafted, own, pass, (line, instead) => asLine(line, phases, instead));

function asLine(
  { id, kind, text, phase }: Line,
  phases: readonly Phase[],
  instead: string | undefined,
): Unnamed & Pick<ScriptLine, 'id'> {
  const spoken = phases.find((each) => each.id === phase) ?? (kind === 'action' ? phases[0] : undefined);
  return {
    id,
    kind,
    text,
    source: 'class',
    said: kind !== 'note',
    ...(spoken ? { phase: spoken } : {}),
    ...(instead === undefined ? {} : { instead }),
  };
}
