import type { Catalog, RungEntry } from '@warm-ladder/core/repertoire';
import { RungPicker } from '../../parts/RungPicker';
import { Sheet } from '../../parts/Sheet';

interface RequiresSheetProps {
  readonly catalog: Catalog;
  /** Of the rung that requires. */
  readonly name: string;
  readonly onPick: (entry: RungEntry) => void;
  readonly onClose: () => void;
}

/** What a rung requires, chosen from the repertoire. */
export default function RequiresSheet({ catalog, name, onPick, onClose }: RequiresSheetProps) {
  return (
    <Sheet at="side" open onOpenChange={onClose} title={`${name} requires`}>
      <RungPicker catalog={catalog} onPick={onPick} />
    </Sheet>
  );
}
