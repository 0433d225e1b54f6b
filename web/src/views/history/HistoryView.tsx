import type { DocumentKind } from '@warm-ladder/core/formats';
import { countText } from '@warm-ladder/core/vocabulary';
import type { History } from '@warm-ladder/core/wire';
import { useCallback, useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { NameOf } from '../../app/history/differences';
import { nameOf } from '../../app/history/nameOf';
import { pathOf } from '../../app/menus/places';
import { noticed } from '../../app/store/deskState';
import { documentOf } from '../../app/store/entities';
import { server } from '../../app/store/server';
import { useAppDispatch, useAppSelector } from '../../app/store/store';
import { changed } from '../../app/store/studio';
import { useNames } from '../../app/useNames';
import { BeforeAfter } from './BeforeAfter';
import { editWords, isMaking, isRemoving, nameSaid } from './editWords';

type Historic = History['changes'][number];

const KINDS: Readonly<Record<DocumentKind, string>> = {
  positions: 'position',
  props: 'prop',
  exercises: 'ladder',
  audiences: 'audience',
  teachers: 'teacher',
  rooms: 'room',
  classes: 'class',
  series: 'series',
  logs: 'log',
  questions: 'question',
  method: 'method',
};
const day = new Intl.DateTimeFormat(undefined, { weekday: 'long', day: 'numeric', month: 'long' });
const time = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });

/** What was changed in the studio, by anybody, the newest first; each can be gone back to, and that undone. */
export function Component() {
  const [address] = useSearchParams();
  const [kind, id] = [address.get('kind') as DocumentKind | null, address.get('id')];
  const revision = useAppSelector(({ studio }) => studio.revision);
  const [told, setTold] = useState<History | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const read = useCallback(
    async (before?: number) => {
      const of = { ...(kind ? { kind } : {}), ...(id ? { id } : {}), ...(before === undefined ? {} : { before }) };
      try {
        const { changes, more } = await server.history(of);
        setFault(null);
        setTold((last) => ({ changes: before === undefined ? changes : [...(last?.changes ?? []), ...changes], more }));
      } catch (error) {
        setFault(wordsOf(error));
      }
    },
    [kind, id],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: read again with every change that is kept.
  useEffect(() => {
    void read();
  }, [read, revision]);
  const named = useNames();
  const [sought, setSought] = useState('');
  const letters = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const entities = useAppSelector(({ studio }) => studio.entities);
  const isSought = ({ kind: of, id: whose, edit }: Historic) => {
    const document = documentOf(entities, of, whose);
    const name = document === undefined ? (nameSaid(edit) ?? whose) : nameOf(document, whose);
    const words = `${name} ${KINDS[of]} ${editWords(document, edit, named)}`.toLowerCase();
    return letters.every((each) => words.includes(each));
  };
  const found = letters.length === 0 ? (told?.changes ?? []) : (told?.changes ?? []).filter(isSought);
  const days = byDay(found);
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">What was changed</h1>
      <p className="mt-1 text-soft">
        By you or anybody else, the newest first. Going back to how something was is itself a change, and can be undone.
        {kind && (
          <>
            {' '}
            <Link to="/history">Everything</Link>
          </>
        )}
      </p>
      <input
        type="search"
        aria-label="Search what was changed"
        placeholder="A name, or what was changed"
        className="field mt-3 w-full max-w-sm"
        value={sought}
        onChange={({ target }) => setSought(target.value)}
      />
      {letters.length > 0 && (
        <p role="status" className="mt-1 text-soft">
          {countText(found.length, 'change')} of the {told?.changes.length ?? 0} read so far
        </p>
      )}
      {fault !== null && (
        <p role="alert" className="mt-3">
          {fault}{' '}
          <button type="button" className="underline" onClick={() => void read()}>
            Try again
          </button>
        </p>
      )}
      {[...days].map(([name, changes]) => (
        <section key={name} className="mt-5">
          <h2 className="font-name text-xl font-semibold">{name}</h2>
          <ol className="divide-y divide-line">
            {changes.flatMap((together) =>
              (together.length > MANY ? [together] : together.map((each): Together => [each])).map((row) => (
                <Row key={row[0].version} changes={row} named={named} />
              )),
            )}
          </ol>
        </section>
      ))}
      {told?.changes.length === 0 && <p className="mt-4">Nothing has been changed yet.</p>}
      {told?.more && (
        <button type="button" className="action mt-4" onClick={() => void read(told.changes.at(-1)?.version)}>
          Older
        </button>
      )}
    </main>
  );
}

/** Why it can’t be told, in the server’s words where it is there. */
const wordsOf = (error: unknown): string =>
  error instanceof Error && error.message !== ''
    ? error.message
    : 'The server is away, and what was changed is kept there.';

/** Changes kept together that are told one by one; more are counted. */
const MANY = 5;

/** Changes of one day together, in their order. */
function byDay(changes: readonly Historic[]): ReadonlyMap<string, readonly Together[]> {
  const days = new Map<string, Array<[Historic, ...Historic[]]>>();
  for (const each of changes) {
    const name = day.format(new Date(each.at));
    const written = days.get(name) ?? [];
    days.set(name, written);
    const last = written.at(-1);
    if (last?.[0].at === each.at) last.push(each);
    else written.push([each]);
  }
  return days;
}

/** Changes that were kept in one transaction: an import makes a hundred. */
type Together = readonly [Historic, ...Historic[]];

/** One change: when, of what, what it did, and the way back; what else was done with it is counted. */
function Row({
  changes: [{ version, kind, id, at, edit }, ...others],
  named,
}: {
  readonly changes: Together;
  readonly named: NameOf;
}) {
  const dispatch = useAppDispatch();
  const document = useAppSelector(({ studio }) => documentOf(studio.entities, kind, id));
  const path = document === undefined ? null : pathOf({ kind, id });
  const name = document === undefined ? (nameSaid(edit) ?? id) : nameOf(document, id);
  const made = isMaking(edit);
  const goBack = async () => {
    try {
      const { value } = await server.before(version);
      const label = `going back to how “${name}” was`;
      if (value !== null) dispatch(changed({ documents: [{ kind, id, after: value }], label, field: '' }));
    } catch (error) {
      dispatch(noticed({ text: wordsOf(error) }));
    }
  };
  return (
    <li className="grid grid-cols-[3.5rem_1fr_auto] items-baseline gap-x-3 py-2">
      <time dateTime={at} className="text-soft">
        {time.format(new Date(at))}
      </time>
      <div className="min-w-0">
        <p>
          {path ? (
            <Link to={path} className="font-semibold hover:underline">
              {name}
            </Link>
          ) : (
            <strong className="font-semibold">{name}</strong>
          )}{' '}
          <span className="text-soft">{KINDS[kind]}</span>
        </p>
        <p className="text-[15px] break-words text-soft">
          {made ? 'Made' : isRemoving(edit) ? 'Removed' : editWords(document, edit, named)}
          {others.length > 0 && `, and ${countText(others.length, 'more document')} with it`}
        </p>
        {!made && !isRemoving(edit) && others.length === 0 && (
          <BeforeAfter version={version} kind={kind} edit={edit} wordsOf={wordsOf} />
        )}
      </div>
      {!made && others.length === 0 && (
        <button type="button" className="action text-sm" onClick={() => void goBack()}>
          {document === undefined ? 'Bring back' : 'As it was before'}
          <span className="sr-only">
            : {name}, {time.format(new Date(at))}
          </span>
        </button>
      )}
    </li>
  );
}
