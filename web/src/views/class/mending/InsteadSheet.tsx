import type { Condition } from '@warm-ladder/core/caution';
import type { Audience, TimedBlock } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { SubstituteList } from '../../../parts/rungs/SubstituteList';
import { Sheet } from '../../../parts/Sheet';
import type { TileActions } from '../strip/useTileActions';

interface InsteadSheetProps {
  readonly catalog: Catalog;
  readonly block: TimedBlock;
  readonly audience: Audience | undefined;
  readonly conditions: readonly Condition[];
  readonly actions: TileActions;
  readonly close: () => void;
}

/** What can stand in a block's place: what the room's cautions and props allow, the nearest first. */
export default function InsteadSheet({ catalog, block, audience, conditions, actions, close }: InsteadSheetProps) {
  const { entry, index } = block;
  const { id } = block.block;
  return (
    <Sheet
      at="side"
      open
      onOpenChange={close}
      title={`Swap ${entry.exercise.name}, ${entry.rung.name}`}
      about={`Block ${index + 1}. The nearest first; its dose, side and run stay as far as they fit.`}
    >
      <SubstituteList
        catalog={catalog}
        entry={entry}
        conditions={conditions}
        equipment={audience?.equipment}
        verb="Take"
        onPick={(other) => {
          const to = { exercise: other.exercise.id, rung: other.rung.id };
          actions.edit({ kind: 'swap', id, to }, `${other.exercise.name} for ${entry.exercise.name}`);
          close();
        }}
      />
    </Sheet>
  );
}
