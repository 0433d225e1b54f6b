import { INTERLUDE_WORDS, INTERLUDES, type InterludeKind } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { restName } from '@warm-ladder/core/review';
import { Pause } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';

interface InterludeMenuProps {
  /** What lets go where people are; `null` where nothing does. */
  readonly rest: RungEntry | null;
  readonly onAdd: (kind: InterludeKind) => void;
}

/** A talk, a self-check or a small rest, put after the block that is worked on; a rest where something lets go. */
export default function InterludeMenu({ rest, onAdd }: InterludeMenuProps) {
  const about: Readonly<Record<InterludeKind, string>> = {
    talk: 'posture, why, what to fetch',
    check: 'with hands, a wall, a stick: what it should find',
    recover: rest ? restName(rest) : 'nothing lets go in the position people are in here',
  };
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <button type="button" className="action text-sm">
          <Pause className="size-4" aria-hidden="true" /> Add an interlude
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={4} className="z-40 rounded-md bg-sheet p-1 shadow-lift">
          {INTERLUDES.map((kind) => (
            <DropdownMenu.Item
              key={kind}
              disabled={kind === 'recover' && rest === null}
              className="cursor-pointer rounded px-3 py-1.5 outline-none data-[disabled]:cursor-default data-[disabled]:text-soft data-[highlighted]:bg-shade"
              onSelect={() => onAdd(kind)}
            >
              {INTERLUDE_WORDS[kind]}
              <span className="block text-sm text-soft">{about[kind]}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
