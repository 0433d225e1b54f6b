import { Trash2 } from 'lucide-react';

interface DeleteButtonProps {
  /** What it does, and to what. @example Delete Kiln hall */
  readonly words: string;
  readonly onPress: () => void;
  /** Why it can't be done. */
  readonly against?: string | undefined;
}

/** Deletes the thing it stands beside. */
export const DeleteButton = ({ words, onPress, against }: DeleteButtonProps) => (
  <button
    type="button"
    className="rounded p-1.5 hover:bg-shade disabled:opacity-35"
    disabled={against !== undefined}
    title={against ?? words}
    onClick={onPress}
  >
    <Trash2 className="size-4" aria-hidden="true" />
    <span className="sr-only">{words}</span>
  </button>
);
