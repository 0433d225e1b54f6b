import { ChevronDown } from 'lucide-react';

interface DetailsButtonProps {
  /** Of the block, from 1. */
  readonly number: number;
  readonly open: boolean;
  readonly tabIndex: 0 | -1;
  readonly onToggle: () => void;
}

/** Opens a tile's details under its line, and closes them. */
export const DetailsButton = ({ number, open, tabIndex, onToggle }: DetailsButtonProps) => (
  <button
    type="button"
    aria-expanded={open}
    tabIndex={tabIndex}
    className="rounded p-1 hover:bg-shade"
    onClick={onToggle}
  >
    <ChevronDown className={`size-4 transition-transform ${open ? 'rotate-180' : ''}`} aria-hidden="true" />
    <span className="sr-only">Details of block {number}</span>
  </button>
);
