import { supportsOf } from '@warm-ladder/core/body';
import { allPhases, type Cue, type Rung } from '@warm-ladder/core/repertoire';
import { X } from 'lucide-react';

interface TouchFieldsProps {
  readonly rung: Rung;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

/** Kinds of cues that bring a part of the body somewhere. */
const BRINGING: ReadonlySet<Cue['kind']> = new Set<Cue['kind']>([
  'setup',
  'check',
  'action',
  'alignment',
  'transition',
]);

/** Which parts each cue brings to touch: held against the pose it is spoken in. */
export function TouchFields({ rung, onRung }: TouchFieldsProps) {
  const cues = (rung.cues ?? []).filter(({ kind }) => BRINGING.has(kind));
  const set = (cue: Cue, touches: readonly string[]) =>
    onRung(
      (each) => ({
        ...each,
        cues: (each.cues ?? []).map((other) => (other.id === cue.id ? touching(cue, touches) : other)),
      }),
      'what a cue brings to touch',
    );
  return (
    <details className="text-[15px]">
      <summary>What the words bring to touch</summary>
      <ul className="mt-1 flex flex-col gap-1">
        {cues.map((cue) => {
          const touches = cue.touches ?? [];
          const others = partsOf(rung, cue).filter((part) => !touches.includes(part));
          return (
            <li key={cue.id} className="flex flex-wrap items-baseline gap-x-2">
              <span className="min-w-0 grow basis-60">“{cue.text}”</span>
              {touches.map((part) => (
                <button
                  key={part}
                  type="button"
                  className="inline-flex items-center gap-1 rounded-full border border-ink bg-ink px-2 text-sm text-sheet"
                  onClick={() =>
                    set(
                      cue,
                      touches.filter((each) => each !== part),
                    )
                  }
                >
                  {spoken(part)} <X className="size-3.5" aria-hidden="true" />
                  <span className="sr-only">no longer touches, in “{cue.text}”</span>
                </button>
              ))}
              <select
                aria-label={`A part that touches, in “${cue.text}”`}
                className="field"
                value=""
                onChange={({ target }) => target.value && set(cue, [...touches, target.value])}
              >
                <option value="">+ part</option>
                {others.map((part) => (
                  <option key={part} value={part}>
                    {spoken(part)}
                  </option>
                ))}
              </select>
            </li>
          );
        })}
      </ul>
    </details>
  );
}

function touching({ touches: _old, ...cue }: Cue, touches: readonly string[]): Cue {
  return touches.length > 0 ? { ...cue, touches: [...touches] } : cue;
}

/** What rests or holds in the pose a cue is spoken in. */
function partsOf(rung: Rung, { phase }: Cue): string[] {
  const pose = rung.poses[allPhases(rung).find(({ id }) => id === phase)?.pose ?? rung.start];
  return pose ? [...new Set([...supportsOf(pose), ...Object.keys(pose.holds ?? {})])] : [];
}

const spoken = (part: string): string => part.split('.').reverse().join(' ');
