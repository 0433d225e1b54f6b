import { type Option, optionOf, type TimedBlock } from '../plan';
import type { RungEntry } from '../repertoire';
import type { Subject } from './subject';

/** A rung offered in a block. */
export interface Offered {
  readonly block: TimedBlock;
  readonly option: Option;
  readonly entry: RungEntry;
}

/** Every offer of a class. */
export function offersOf({ timed, catalog }: Pick<Subject, 'timed' | 'catalog'>): Offered[] {
  const offers: Offered[] = [];
  for (const block of timed.blocks) {
    for (const each of block.block.options ?? []) {
      const option = optionOf(each);
      const entry = catalog.rung({ exercise: block.block.exercise, rung: option.rung });
      if (entry) offers.push({ block, option, entry });
    }
  }
  return offers;
}
