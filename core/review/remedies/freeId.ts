import { freeBlockId } from '../../plan';
import type { Subject } from '../subject';

/** An id for a block that a remedy adds. */
export const freeId = ({ timed }: Subject): string => freeBlockId(timed.plan);
