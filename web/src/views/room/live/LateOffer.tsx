import { clock } from '@warm-ladder/core/review';
import type { Replan } from '@warm-ladder/core/taught';
import { Key } from '../Key';

interface LateOfferProps {
  readonly offer: Replan | null;
  /** What was changed last on the way; null where nothing was. */
  readonly changed: string | null;
  readonly onTake: (offer: Replan, label: string) => void;
  readonly onUndo: () => void;
}

/** What to leave out, shorten or add so that the class ends on time: one tap takes it, one takes it back. */
export function LateOffer({ offer, changed, onTake, onUndo }: LateOfferProps) {
  if (!offer && changed === null) return null;
  const label = offer ? cutsText(offer.edits) : changed;
  return (
    <section aria-label="To end on time" className="flex items-center gap-x-3 border-t border-line px-4 py-2">
      {offer ? (
        <>
          <p className="grow text-lg leading-snug">
            {label}: it ends at {clock(offer.endsAt.replanned)}.
          </p>
          <Key onPress={() => onTake(offer, cutsText(offer.edits))}>Take it</Key>
        </>
      ) : (
        <p className="line-clamp-2 min-w-0 grow basis-40 text-base leading-snug">
          The class was changed on the way<span className="text-soft">: {label}</span>
        </p>
      )}
      {changed !== null && <Key onPress={onUndo}>Undo</Key>}
    </section>
  );
}

/** Edits named at most: more are counted, since nobody reads a list while teaching. */
const NAMED = 3;

/** Several edits in one sentence: what is left out is named once. */
function cutsText(edits: Replan['edits']): string {
  const named = edits
    .slice(0, NAMED)
    .map(({ kind, label }, i) =>
      kind === 'leave-out' && edits[i - 1]?.kind === kind ? label.replace(/^Leave out /, '') : label,
    );
  const more = edits.length - NAMED;
  return [...named, ...(more > 0 ? [`and ${more} more`] : [])].join('; ');
}
