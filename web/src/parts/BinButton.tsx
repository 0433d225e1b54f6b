import { Trash2 } from 'lucide-react';

interface BinButtonProps {
  readonly word: 'Delete' | 'Remove';
  readonly onPress: () => void;
  /** Why it can't be done. */
  readonly against?: string | undefined;
  readonly className?: string;
}

/** Deletes a document, or removes a part of one, at whose head or foot it stands. */
export const BinButton = ({ word, onPress, against, className = 'text-sm' }: BinButtonProps) => (
  <button
    type="button"
    className={`action ${className}`}
    disabled={against !== undefined}
    title={against}
    onClick={onPress}
  >
    <Trash2 className="size-4" aria-hidden="true" /> {word}
  </button>
);
