import { applied, diff, type Edit, inverted } from '@warm-ladder/core/edits';
import type { Bundle } from '@warm-ladder/core/formats';
import { block, bundleOf, classOf, exercise, rung } from '@warm-ladder/core/testing';
import type { ChangeAnswer, History, SentChange } from '@warm-ladder/core/wire';
import { documentRows } from './studio/documentRows';
import { told, useServer } from './testing';

const running = useServer();
const rowers = { id: 'rowers', name: 'Rowers' };
beforeEach(async () => {
  const classes = [classOf([block('hold')], { audience: 'rowers' }), classOf([], { id: 'other' })];
  await running.server.send('POST', '/bundle?mode=replace', bundleOf({ audiences: [rowers], classes }));
});

const studio = async () => (await running.server.send('GET', '/studio')).body;
/** Sends changes made from the versions that are there now. */
async function send(...changes: Array<Omit<SentChange, 'version'>>): Promise<readonly ChangeAnswer[]> {
  const { versions } = await studio();
  const sent = changes.map((each) => ({ ...each, version: versions[each.kind]?.[each.id] ?? 0 }));
  return (await running.server.send('POST', '/changes', { changes: sent })).body.answers as ChangeAnswer[];
}
const outcomes = (answers: readonly ChangeAnswer[]) => answers.map(({ outcome }) => outcome);
const put = (kind: 'classes' | 'exercises' | 'audiences', value: { readonly id: string }) => ({
  kind,
  id: value.id,
  value,
});

test('what was made in a sequence that was valid in the hand arrives together, whatever its order', async () => {
  const made = exercise('made');
  const answers = await send(
    { kind: 'audiences', id: 'rowers', value: null },
    put('classes', classOf([block('made')])),
    put('exercises', made),
  );
  expect(outcomes(answers)).toEqual(['kept', 'kept', 'kept']);
  const { bundle, versions } = await studio();
  expect(bundle.audiences).toEqual([]);
  expect(bundle.classes?.[0]?.audience).toBeUndefined();
  expect(versions.exercises?.made).toBe((answers[2] as { version: number }).version);
});

test('a document that can’t stand holds up no other, and each is told why', async () => {
  const answers = await send(
    { kind: 'audiences', id: 'rowers', value: null },
    put('classes', classOf([block('nothing')], { id: 'other' })),
    put('classes', classOf([], { id: 'third' })),
    put('exercises', exercise('curl', { name: '<b>' })),
  );
  expect(outcomes(answers)).toEqual(['refused', 'refused', 'kept', 'refused']);
  const refusals = answers.flatMap((each) => (each.outcome === 'refused' ? [each.refusal] : []));
  expect(refusals.map(({ code, path }) => `${code} ${path}`)).toEqual([
    'IN_USE audiences/rowers',
    'INVALID classes/other',
    'INVALID exercises/curl',
  ]);
  expect(refusals.map(({ message }) => message)).toEqual([
    'There is no audience “rowers”.',
    'There is no exercise “nothing” in the repertoire.',
    'Expected plain text, found markup.',
  ]);
  expect(refusals[0]?.problems?.[0]?.path).toContain('classes/test-class');
  const ids = (await studio()).bundle.classes?.map(({ id }) => id);
  expect(ids).toEqual(['test-class', 'other', 'third']);
});

test('a rung taken away refuses itself, not the class beside it; a circle names one who closed it', async () => {
  const shorter = exercise('hold', { rungs: [rung('high')] });
  const renamed = classOf([block('hold')], { name: 'Renamed', audience: 'rowers' });
  const [taken, kept] = await send(
    put('exercises', shorter),
    put('classes', classOf([], { id: 'other', name: 'Kept' })),
  );
  expect([taken?.outcome, kept?.outcome]).toEqual(['refused', 'kept']);
  expect(outcomes(await send(put('classes', renamed)))).toEqual(['kept']);
  const needs = exercise('hold', { rungs: [rung('low', { requires: [{ exercise: 'earned', rung: 'high' }] })] });
  const [circle] = await send(put('exercises', needs));
  expect(circle).toMatchObject({ outcome: 'refused', refusal: { path: 'exercises/hold' } });
  expect(JSON.stringify(circle)).toContain('go round in a circle');
});

test('a change sent again after its answer was lost is no conflict; another one is', async () => {
  const value = classOf([block('curl')], { name: 'Sent twice', audience: 'rowers' });
  const base = (await studio()).versions.classes?.['test-class'] ?? 0;
  const sent = (name: string) => ({
    changes: [{ kind: 'classes', id: 'test-class', version: base, value: { ...value, name } }],
  });
  const first = (await running.server.send('POST', '/changes', sent('Sent twice'))).body.answers;
  const again = (await running.server.send('POST', '/changes', sent('Sent twice'))).body.answers;
  expect(again).toEqual(first);
  const [other] = (await running.server.send('POST', '/changes', sent('Other'))).body.answers as ChangeAnswer[];
  expect(other).toMatchObject({ outcome: 'stale', current: { value: { name: 'Sent twice' } } });
  await running.server.send('DELETE', `/classes/other?version=${(await studio()).versions.classes?.other}`);
  const gone = { changes: [{ kind: 'classes', id: 'other', version: 3, value: null }] };
  expect((await running.server.send('POST', '/changes', gone)).body.answers).toEqual([{ outcome: 'kept', version: 0 }]);
});

/** A class two people change, and what each sends from the version both began with: what was changed, or all of it. */
async function begun(way: 'edit' | 'value' = 'edit') {
  const value = classOf([block('hold', { dose: { reps: 8 } }), block('curl'), block('arch')], { id: 'shared' });
  const [answer] = await send(put('classes', value));
  const version = answer?.outcome === 'kept' ? answer.version : 0;
  const change = async (after: object) => {
    const what = way === 'edit' ? { edit: diff(value, after) } : { value: after };
    const changes = [{ kind: 'classes', id: 'shared', version, ...what }];
    return ((await running.server.send('POST', '/changes', { changes })).body.answers as ChangeAnswer[])[0];
  };
  const withBlock = (n: number, parts: object) => ({
    ...value,
    blocks: value.blocks.map((each, i) => (i === n ? { ...each, ...parts } : each)),
  });
  return { value, change, withBlock };
}
const shared = async () => (await studio()).bundle.classes?.find(({ id }) => id === 'shared');

test.each(['edit', 'value'] as const)(
  'two people on two blocks of one class meet without a question, sent as %s',
  async (way) => {
    const { value, change, withBlock } = await begun(way);
    expect(await change(withBlock(1, { restAfterSeconds: 20 }))).toEqual({
      outcome: 'kept',
      version: expect.any(Number),
    });
    const reps = withBlock(0, { dose: { reps: 10 } });
    const answer = await change(reps);
    const both = { ...reps, blocks: [reps.blocks[0], { ...value.blocks[1], restAfterSeconds: 20 }, value.blocks[2]] };
    expect(answer).toMatchObject({ outcome: 'kept', value: both });
    // A third from the same old version removes one and adds one; what is sent once more changes nothing.
    const added = { ...value, blocks: [...value.blocks.slice(0, 2), { ...value.blocks[2], id: 'new' }] };
    expect(await change(added)).toMatchObject({ outcome: 'kept' });
    const now = { ...both, blocks: [...both.blocks.slice(0, 2), { ...value.blocks[2], id: 'new' }] };
    expect(await shared()).toEqual(now);
    const again = await change(reps);
    expect(again).toMatchObject({ outcome: 'kept', value: now });
    expect((await studio()).versions.classes?.shared).toBe(again?.outcome === 'kept' ? again.version : 0);
  },
);

test('the same field changed by two is stale, with what both were made from; nothing of it is half kept', async () => {
  const { value, change, withBlock } = await begun();
  const theirs = withBlock(0, { dose: { reps: 12 } });
  await change(theirs);
  const answer = await change({ ...withBlock(0, { dose: { reps: 10 } }), name: 'Mine' });
  expect(answer).toMatchObject({ outcome: 'stale', current: { value: theirs }, was: value });
  expect(await shared()).toEqual(theirs);
  // Of a version that never was, nothing is known.
  const unknown = { kind: 'classes', id: 'shared', version: 3, value: { ...value, targetMinutes: 50 } };
  const [strange] = (await running.server.send('POST', '/changes', { changes: [unknown] })).body
    .answers as ChangeAnswer[];
  expect(strange).toMatchObject({ outcome: 'stale', current: { value: theirs } });
  expect(strange).not.toHaveProperty('was');
});

test('an edit is kept as the document it makes; what it does not fit is asked for as a whole, and nothing is changed', async () => {
  const { value, withBlock } = await begun();
  const { versions } = await studio();
  const version = versions.classes?.shared ?? 0;
  const ask = async (change: object) => {
    const changes = [{ kind: 'classes', id: 'shared', version, ...change }];
    return ((await running.server.send('POST', '/changes', { changes })).body.answers as ChangeAnswer[])[0];
  };
  const before = { op: 'set', path: ['blocks', { id: 'hold' }, 'dose', 'reps'], value: 9, was: 7 };
  const gone = { op: 'take', path: ['blocks'], item: { ...block('curl'), id: 'nothing' }, before: null };
  for (const change of [
    { edit: [before] },
    { edit: [gone] },
    { edit: diff(value, withBlock(0, {})), version: 3 },
    { edit: [], id: 'never-was' },
    { edit: [], version: 0 },
    { edit: [{ op: 'set', path: ['__proto__'], value: { a: 1 } }] },
  ]) {
    expect([change, await ask(change)]).toEqual([change, { outcome: 'whole' }]);
  }
  const refused = async (change: object) => ((await ask(change)) as { refusal: { message: string } }).refusal.message;
  const [first] = diff(value, { ...value, targetMinutes: -5 });
  expect(await refused({ edit: [first] })).toBe('Too small: expected number to be >=1.');
  expect(await refused({ edit: [{ op: 'set', path: [], value: 1 }] })).toBe(
    'Too small: expected array to have >=1 items.',
  );
  expect(await refused({ edit: [], value })).toBe('Expected an edit or a value, found both.');
  expect(await refused({ edit: diff(value, { ...value, id: 'other' }) })).toBe(
    'The id “other” is not the “shared” it was sent to.',
  );
  expect(await shared()).toEqual(value);
  // What changes nothing is there already.
  expect(await ask({ edit: [] })).toEqual({ outcome: 'kept', version });
});

test('two changes that can stand by themselves and not together are asked about, and the first stands', async () => {
  const { value, change, withBlock } = await begun();
  const theirs = withBlock(0, { dose: { reps: 8, repsTo: 10 } });
  expect(await change(theirs)).toMatchObject({ outcome: 'kept' });
  const answer = await change(withBlock(0, { dose: { reps: 12 } }));
  expect(answer).toMatchObject({ outcome: 'stale', current: { value: theirs }, was: value });
  expect(await shared()).toEqual(theirs);
});

test.each<[string, unknown, number, RegExp]>([
  ['no list', {}, 422, /“changes” is missing/],
  ['a kind nobody knows', { changes: [{ kind: 'shoes', id: 'a', version: 0, value: {} }] }, 422, /kind|Invalid option/],
  [
    'a document twice',
    { changes: [1, 2].map(() => ({ kind: 'classes', id: 'a', version: 0, value: null })) },
    400,
    /stands twice/,
  ],
])('a body with %s is refused whole', async (_name, body, status, sentence) => {
  const answer = await running.server.send('POST', '/changes', body);
  expect(answer.status).toBe(status);
  expect(answer.body.message).toMatch(sentence);
});

test('names that every object answers to are no ids and reach nothing', async () => {
  const base: Bundle = bundleOf();
  const [first] = structuredClone(base.exercises ?? []);
  Object.assign(first?.rungs[0] ?? {}, { start: 'constructor' });
  const refused = await running.server.send('POST', '/bundle', { ...base, exercises: [first] });
  expect(refused.status).toBe(422);
  expect(refused.body.path).toBe('exercises[0].rungs[0].start');
  for (const id of ['constructor', '__proto__', 'toString', 'hasOwnProperty']) {
    expect((await running.server.send('GET', `/classes/${id}`)).status).toBe(404);
    const made = await running.server.send('PUT', `/classes/${id}`, { version: 0, value: classOf([], { id }) });
    expect([id, made.status]).toEqual([id, 422]);
  }
});

test('who listens hears of what was kept: each change with its document, and of too much only that it was', async () => {
  const { revision } = (await studio()) as unknown as { revision: number };
  const heard = told(running.server, revision, ({ changes }) => changes !== null);
  await send(put('audiences', { ...rowers, name: 'Rowers at dawn' } as typeof rowers));
  const { changes, revision: now } = await heard;
  // It is told as what was changed, to be made in what everybody has.
  const naming = [{ op: 'set', path: ['name'], value: 'Rowers at dawn', was: 'Rowers' }];
  const base = expect.any(Number);
  expect(changes).toEqual([{ kind: 'audiences', id: 'rowers', version: now, base, edit: naming }]);
  // Whoever was away is told what has become of it.
  expect(await running.server.studio.since(revision)).toMatchObject({
    changes: [{ value: { name: 'Rowers at dawn' } }],
  });
  // One that was cut off goes on from the last it heard, and hears nothing twice.
  const next = told(running.server, now, () => true);
  await send({ kind: 'classes', id: 'other', value: null });
  expect((await next).changes).toEqual([{ kind: 'classes', id: 'other', version: 0, value: null }]);
  const all = told(running.server, revision, (event) => event.changes === null);
  await running.server.send('POST', '/bundle?mode=replace', bundleOf());
  expect((await all).changes).toBeNull();
});

test('those who write one document at once all have their turn', async () => {
  const WRITERS = 6;
  const { server } = running;
  const put = async (version: number, name: string) => {
    const { status, body } = await server.send('PUT', '/audiences/rowers', { version, value: { ...rowers, name } });
    const { version: now } = (status === 200 ? body : body.current) as { version: number };
    return { kept: status === 200, version: now };
  };
  const tries = await Promise.all(
    Array.from({ length: WRITERS }, async (_, writer) => {
      let [version, most] = [0, 0];
      for (let write = 0; write < 5; write++) {
        for (let tried = 1; ; tried++) {
          most = Math.max(most, tried);
          const answer = await put(version, `Writer ${writer}, ${write}`);
          version = answer.version;
          if (answer.kept) break;
        }
      }
      return most;
    }),
  );
  // Whoever writes next is one of those who were refused, so nobody waits for much more than all the others.
  expect(Math.max(...tries)).toBeLessThanOrEqual(3 * WRITERS);
}, 30_000);

test('every change is kept as an edit that leads back to what was there', async () => {
  const before = (await studio()).bundle.audiences?.[0] as object;
  await send(put('audiences', { ...rowers, name: 'Rowers at dawn' } as typeof rowers));
  const { rows } = await running.server.db.query<{ patch: Edit }>(
    `select patch from change where id = 'rowers' order by version desc limit 1`,
  );
  const edit = rows[0]?.patch ?? [];
  expect(applied(edit, before)).toEqual({ ...before, name: 'Rowers at dawn' });
  expect(applied(inverted(edit), { ...before, name: 'Rowers at dawn' })).toEqual(before);
});

test('changes that later ones stand over are let go, and whoever was away still learns what has become of each', async () => {
  const called = (name: string) => ({ ...rowers, name });
  for (const name of ['A', 'B', 'C', 'D']) await send(put('audiences', called(name)));
  await send({ kind: 'classes', id: 'other', value: null });
  for (const name of ['E', 'F']) await send(put('audiences', called(name)));
  const { db } = running.server;
  const { rows } = await db.query<{ version: number }>('select version from change order by version');
  const learnt = () => Promise.all(rows.map(({ version }) => documentRows.since(db, Number(version) - 1)));
  const before = await learnt();
  await documentRows.forgetSuperseded(db, 2);
  expect(await learnt()).toEqual(before);
  const left = await db.query<{ kind: string; id: string; version: number }>('select kind, id, version from change');
  const audience = left.rows.filter(({ kind }) => kind === 'audiences').map(({ version }) => Number(version));
  // The newest two, and the last of what is gone: the older ones of the audience are no longer there.
  expect(audience).toHaveLength(2);
  expect(left.rows).toContainEqual(expect.objectContaining({ kind: 'classes', id: 'other' }));
});

test('what was changed is told newest first, of one document or of all; and what each was before is made out', async () => {
  const throwers = (name: string) => ({ id: 'throwers', name });
  for (const name of ['Throwers', 'Throwers at dawn', 'Throwers at dusk']) await send(put('audiences', throwers(name)));
  await send({ kind: 'classes', id: 'other', value: null });
  const ask = async (query: string) =>
    (await running.server.send('GET', `/history${query}`)).body as unknown as History;
  const { changes, more } = await ask('?kind=audiences&id=throwers&most=2');
  expect(changes.map(({ edit }) => edit)).toEqual([
    [{ op: 'set', path: ['name'], value: 'Throwers at dusk', was: 'Throwers at dawn' }],
    [{ op: 'set', path: ['name'], value: 'Throwers at dawn', was: 'Throwers' }],
  ]);
  expect(more).toBe(true);
  const [made] = (await ask(`?kind=audiences&id=throwers&before=${changes[1]?.version}`)).changes;
  const [removed] = (await ask('')).changes;
  expect(removed).toMatchObject({ kind: 'classes', id: 'other' });
  const before = async (version = 0) => (await running.server.send('GET', `/history/${version}/before`)).body;
  expect(await before(changes[1]?.version)).toEqual({ kind: 'audiences', id: 'throwers', value: throwers('Throwers') });
  expect(await before(made?.version)).toEqual({ kind: 'audiences', id: 'throwers', value: null });
  expect(await before(removed?.version)).toMatchObject({ id: 'other', value: classOf([], { id: 'other' }) });
  const unknown = await running.server.send('GET', '/history/1000000/before');
  expect([unknown.status, unknown.body.message]).toEqual([
    404,
    'No change 1000000 is kept any more; expected one of the history.',
  ]);
});
