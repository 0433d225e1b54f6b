interface KeyProps {
  readonly main?: boolean;
  readonly onPress: () => void;
  readonly children: string;
}

/** A large key at the foot of a page in the room. */
export const Key = ({ main = false, onPress, children }: KeyProps) => (
  <button
    type="button"
    className={`min-h-14 rounded-lg px-4 text-xl whitespace-nowrap ${main ? 'bg-cobalt font-semibold text-paper' : 'border border-line'}`}
    onClick={onPress}
  >
    {children}
  </button>
);
