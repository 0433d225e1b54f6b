import { X } from 'lucide-react';

interface RemoveButtonProps {
  /** What is removed, for who can't see where the button stands. */
  readonly name: string;
  readonly onPress: () => void;
}

/** A small cross beside what it removes. */
export const RemoveButton = ({ name, onPress }: RemoveButtonProps) => (
  <button type="button" className="rounded p-0.5 hover:bg-shade" onClick={onPress}>
    <X className="size-4" aria-hidden="true" />
    <span className="sr-only">Remove {name}</span>
  </button>
);
