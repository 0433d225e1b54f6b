import type { KeptCopy, SetAsideDocument } from '@warm-ladder/core/wire';
import { useCallback, useEffect, useState } from 'react';
import { download } from '../../parts/download';
import { Sheet } from '../../parts/Sheet';
import { whileFeedHeld } from '../saving/heldFeed';
import { dropUnreadable, unreadable } from '../saving/unsent';
import { selectWaiting } from '../store/selectors';
import { copyPath, ServerAway, server } from '../store/server';
import { useAppDispatch, useAppSelector } from '../store/store';
import { asideCounted, loadStudio } from '../store/studio';

const BEFORE: Readonly<Record<KeptCopy['reason'], string>> = {
  start: 'when the server started',
  import: 'before a file was imported',
  replace: 'before a file took its place',
  empty: 'before it was emptied',
  restore: 'before a copy was brought back',
};

const WHEN = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

const NAMES: Readonly<Record<string, readonly [string, string]>> = {
  exercises: ['ladder', 'ladders'],
  classes: ['class', 'classes'],
  series: ['series', 'series'],
  audiences: ['audience', 'audiences'],
};

/** What a copy holds, in a line. */
const holdsText = (holds: KeptCopy['holds']): string =>
  Object.entries(NAMES)
    .map(([key, [one, many]]) => `${holds[key] ?? 0} ${holds[key] === 1 ? one : many}`)
    .join(', ');

interface Found {
  readonly copies: readonly KeptCopy[];
  readonly aside: readonly SetAsideDocument[];
  /** What this browser kept and can't read. */
  readonly here: Awaited<ReturnType<typeof unreadable>>;
}

/** Ways back: copies of the studio to bring back, and what was set aside since it did not fit. */
export default function WaysBack({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const waiting = useAppSelector(selectWaiting);
  const [found, setFound] = useState<Found | null>(null);
  const [fault, setFault] = useState('');
  const load = useCallback(async () => {
    const [copies, aside, here] = await Promise.all([server.copies(), server.setAside(), unreadable()]);
    setFound({ copies, aside, here });
    dispatch(asideCounted(aside.length + here.length));
  }, [dispatch]);
  const doing = useCallback(async (work: () => Promise<unknown>) => {
    setFault('');
    await work().catch((error: unknown) => {
      setFault(error instanceof ServerAway ? 'The server is away; nothing was changed.' : (error as Error).message);
    });
  }, []);
  useEffect(() => void doing(load), [doing, load]);
  const restore = (name: string) =>
    doing(async () => {
      await whileFeedHeld(async () => {
        await server.restoreCopy(name);
        await dispatch(loadStudio('bringing a copy back')).unwrap();
      });
      close();
    });
  const bring = (each: SetAsideDocument, how: 'putBack' | 'forget') =>
    doing(async () => {
      await whileFeedHeld(async () => {
        await server[how](each);
        await dispatch(loadStudio('putting back what was set aside')).unwrap();
      });
      await load();
    });
  return (
    <Sheet
      open
      onOpenChange={close}
      title="Ways back"
      about="A copy of the studio is kept before each import, emptying and start: the last 30. Undo reaches a restored copy too."
    >
      {fault && (
        <p role="alert" className="mb-3 rounded border border-alarm p-2">
          {fault}
        </p>
      )}
      {!found && !fault && <p className="text-soft">Looking…</p>}
      {found && (
        <>
          <ol aria-label="Copies" className="flex flex-col divide-y divide-line">
            {found.copies.map(({ name, at, reason, holds }) => (
              <li key={name} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
                <span className="grow">
                  <span className="font-semibold">{WHEN.format(new Date(at))}</span>, {BEFORE[reason]}
                  <span className="block text-sm text-soft">{holdsText(holds)}</span>
                </span>
                <a className="action" href={copyPath(name)} download={name}>
                  Download
                </a>
                <button type="button" className="action" disabled={waiting} onClick={() => void restore(name)}>
                  {waiting ? 'Saving first…' : 'Bring back'}
                </button>
              </li>
            ))}
          </ol>
          {found.copies.length === 0 && <p className="text-soft">No copies yet.</p>}
          <SetAside aside={found.aside} here={found.here} onBring={bring} onDrop={load} />
        </>
      )}
    </Sheet>
  );
}

function SetAside({
  aside,
  here,
  onBring,
  onDrop,
}: {
  aside: Found['aside'];
  here: Found['here'];
  onBring: (each: SetAsideDocument, how: 'putBack' | 'forget') => Promise<void>;
  onDrop: () => Promise<void>;
}) {
  if (aside.length + here.length === 0) return null;
  return (
    <section aria-label="Set aside" className="mt-5">
      <h3 className="font-semibold">Set aside</h3>
      <p className="text-soft">These did not fit when the studio was opened. They are out of the way, and not lost.</p>
      <ul className="mt-1 flex flex-col divide-y divide-line">
        {aside.map((each) => (
          <li key={`${each.kind}/${each.id}/${each.at}`} className="py-2">
            <p>
              <code>
                {each.kind}/{each.id}
              </code>
              : {each.reason}
            </p>
            <p className="mt-1 flex flex-wrap gap-2">
              <button type="button" className="action" onClick={() => void onBring(each, 'putBack')}>
                Put back
              </button>
              <button
                type="button"
                className="action"
                onClick={() => download(`${each.id}.json`, JSON.stringify(each.body, null, 2))}
              >
                Download
              </button>
              <button type="button" className="action" onClick={() => void onBring(each, 'forget')}>
                Remove
              </button>
            </p>
          </li>
        ))}
        {here.map(({ key, text }) => (
          <li key={key} className="py-2">
            <p>Work that this browser kept unsent, from an earlier version; it can’t be read here.</p>
            <p className="mt-1 flex flex-wrap gap-2">
              <button type="button" className="action" onClick={() => download('unsent.json', text)}>
                Download
              </button>
              <button type="button" className="action" onClick={() => void dropUnreadable(key).then(onDrop)}>
                Remove
              </button>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
