import type { ChangedPlace } from '@warm-ladder/core/wire';
import type { Studio } from '../studio/studio';
import { pausing } from '../studio/unhurried';
import type { AskedEdit, AskedOrRefused, Readers } from '../threads/readers';

/** A change ready to be decided, or why there is none: it can't be read, or its document is asked for as a whole. */
export type Ready = AskedOrRefused | (Pick<ChangedPlace, 'kind' | 'id'> & { readonly whole: true });

/** Edits of earlier versions in one sending: each is a question to the log. More of them are asked for as a whole. */
const MOST_EARLIER = 200;

/** Changes that were sent, those among them that are edits made to the documents they make of what they were made from. */
export async function madeReady(
  studio: Studio,
  readers: Readers,
  sent: ReadonlyArray<AskedOrRefused | AskedEdit>,
): Promise<Ready[]> {
  const pause = pausing();
  const ready: Ready[] = [];
  let earlier = 0;
  for (const change of sent) {
    if ('edit' in change) {
      const { kind, id, version } = change;
      let was = studio.textNow({ kind, id }, version);
      if (was === null && earlier < MOST_EARLIER) {
        earlier += 1;
        was = await studio.textAt({ kind, id }, version);
      }
      const made = was === null ? null : await readers.edited(change, was);
      ready.push(made ?? { kind, id, whole: true });
    } else ready.push(change);
    await pause();
  }
  return ready;
}
