import { INTERLUDE_WORDS, INTERLUDES, type InterludeKind } from '@warm-ladder/core/plan';
import { Pause } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';

/** A talk, a self-check or a small rest, put after the block that is worked on. */
export default function InterludeMenu({ onAdd }: { onAdd: (kind: InterludeKind) => void }) {
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
              className="cursor-pointer rounded px-3 py-1.5 outline-none data-[highlighted]:bg-shade"
              onSelect={() => onAdd(kind)}
            >
              {INTERLUDE_WORDS[kind]}
              <span className="block text-sm text-soft">{INTERLUDE_ABOUT[kind]}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
const INTERLUDE_ABOUT: Readonly<Record<InterludeKind, string>> = {
  talk: 'posture, why, what to fetch',
  check: 'with hands, a wall, a stick: what it should find',
  recover: 'knees hugged, rolled out',
};
