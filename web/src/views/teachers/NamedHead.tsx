import { useChange } from '../../app/store/edits';
import { DeleteButton } from '../../parts/DeleteButton';
import { TextField } from '../../parts/fields/TextField';

interface NamedHeadProps {
  readonly kind: 'rooms' | 'teachers';
  readonly document: { readonly id: string; readonly name: string };
  readonly label: string;
  readonly onName: (name: string) => void;
}

/** The name of a room or a teacher, to be changed, and the way to delete it. */
export function NamedHead({ kind, document: { id, name }, label, onName }: NamedHeadProps) {
  const change = useChange();
  return (
    <div className="flex items-center gap-2">
      <TextField
        label={label}
        value={name}
        className="-ml-1.5 min-w-0 grow font-name text-xl font-semibold"
        onChange={onName}
      />
      <DeleteButton words={`Delete ${name}`} onPress={() => change(kind, id, undefined, `deleting ${name}`)} />
    </div>
  );
}
