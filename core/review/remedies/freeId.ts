import { freeBlockId } from '../../plan';
import type { Subject } from '../subject/subject';

/** An id for a block that a remedy would put in. */
export const freeId = ({ timed }: Subject): string => freeBlockId(timed.plan);

/** Ids for so many of them. */
export function freeIds({ timed }: Subject, count: number): string[] {
  const ids: string[] = [];
  let { blocks } = timed.plan;
  for (let i = 0; i < count; i++) {
    const id = freeBlockId({ ...timed.plan, blocks });
    ids.push(id);
    blocks = [...blocks, { id, interlude: 'talk', name: id, seconds: 0 }];
  }
  return ids;
}
