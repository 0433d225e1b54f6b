interface GoneProps {
  readonly words: string;
  readonly does: string;
  readonly onPress: () => void;
}

/** Something in a list that goes when it is pressed. */
export const Gone = ({ words, does, onPress }: GoneProps) => (
  <button
    type="button"
    className="mr-1 rounded-full border border-line px-2 text-base hover:bg-shade"
    title={does}
    onClick={onPress}
  >
    {words} <span aria-hidden="true">×</span>
    <span className="sr-only">, {does}</span>
  </button>
);
