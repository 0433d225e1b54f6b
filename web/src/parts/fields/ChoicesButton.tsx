import type { Choices, SchoolId } from '@warm-ladder/core/method';
import { Suspense, useState } from 'react';
import { lazily } from '../../app/shell/lazily';

const ChoicesSheet = lazily(() => import('./ChoicesSheet'));

interface ChoicesButtonProps {
  readonly title: string;
  readonly value: Partial<Choices> | undefined;
  readonly schools?: readonly SchoolId[];
  readonly onChange: (value: Partial<Choices> | undefined) => void;
}

/** How much is chosen otherwise than the house does, and the way to choose it. */
export function ChoicesButton(props: ChoicesButtonProps) {
  const [open, setOpen] = useState(false);
  const count = Object.keys(props.value ?? {}).length;
  return (
    <>
      <button
        type="button"
        className="rounded px-1 text-left underline decoration-dotted underline-offset-4 hover:bg-shade"
        onClick={() => setOpen(true)}
      >
        {count === 0 ? 'Done as the house does it' : `${count} ${count === 1 ? 'choice' : 'choices'} of its own`}
      </button>
      {open && (
        <Suspense>
          <ChoicesSheet {...props} close={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
