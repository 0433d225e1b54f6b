import type { Catalog, RungEntry } from '@warm-ladder/core/repertoire';
import { Sheet } from '../Sheet';
import { RungPicker } from './RungPicker';

interface RungSheetProps {
  readonly catalog: Catalog;
  readonly title: string;
  readonly onPick: (entry: RungEntry) => void;
  readonly onClose: () => void;
}

/** A rung chosen from the whole repertoire, beside the view. */
export default function RungSheet({ catalog, title, onPick, onClose }: RungSheetProps) {
  return (
    <Sheet at="side" open onOpenChange={onClose} title={title}>
      <RungPicker catalog={catalog} onPick={onPick} />
    </Sheet>
  );
}
