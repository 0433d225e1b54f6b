import { emptyBundle } from '@warm-ladder/core/formats';
import { block, bundleOf, classOf, exercise } from '@warm-ladder/core/testing';
import type { Progress } from '@warm-ladder/core/wire';
import { preparedFolder, startServer, type TestServer } from './testing';

const { folder, remove } = preparedFolder();
let server: TestServer;

beforeAll(async () => {
  server = await startServer(folder);
}, 60_000);
afterAll(async () => {
  await server.close();
  remove();
});
beforeEach(async () => {
  await server.send('POST', '/bundle?mode=replace', bundleOf());
});

const studio = async () => (await server.send('GET', '/studio')).body;
const version = async (kind: string, id: string) => (await studio()).versions[kind]?.[id] ?? 0;

describe('documents', () => {
  test('a write carries the version it was based on and gets the next one', async () => {
    const base = await version('classes', 'test-class');
    const value = classOf([block('hold')], { name: 'Changed' });
    const { status, body } = await server.send('PUT', '/classes/test-class', { version: base, value });
    expect(status).toBe(200);
    expect(body.version).toBeGreaterThan(base);
    expect((await server.send('GET', '/classes/test-class')).body).toEqual({ version: body.version, value });
  });

  test('a stale write is refused with both versions and loses nothing', async () => {
    const base = await version('classes', 'test-class');
    const [mine, theirs] = ['Mine', 'Theirs'].map((name) => classOf([block('hold')], { name }));
    await server.send('PUT', '/classes/test-class', { version: base, value: theirs });
    const { status, body } = await server.send('PUT', '/classes/test-class', { version: base, value: mine });
    expect(status).toBe(409);
    expect(body).toMatchObject({
      code: 'STALE',
      path: 'classes/test-class',
      current: { value: { name: 'Theirs' } },
      yours: { version: base, value: { name: 'Mine' } },
    });
    expect((await studio()).bundle.classes?.[0]?.name).toBe('Theirs');
  });

  test('of two writes at once, one is kept and one is told', async () => {
    const base = await version('classes', 'test-class');
    const writes = ['One', 'Two'].map((name) =>
      server.send('PUT', '/classes/test-class', { version: base, value: classOf([], { name }) }),
    );
    const statuses = (await Promise.all(writes)).map(({ status }) => status);
    expect(statuses.sort()).toEqual([200, 409]);
  });

  test('a document deleted and made again is not mistaken for the old one', async () => {
    const base = await version('series', 'a-series');
    await server.send('DELETE', `/series/a-series?version=${base}`);
    await server.send('PUT', '/series/a-series', { version: 0, value: { id: 'a-series', name: 'New', episodes: [] } });
    const stale = { version: base, value: { id: 'a-series', name: 'Old', episodes: [] } };
    expect((await server.send('PUT', '/series/a-series', stale)).body.code).toBe('STALE');
  });

  test('what something else names can’t be deleted, and a used rung can’t be taken away', async () => {
    const base = await version('exercises', 'hold');
    const refused = await server.send('DELETE', `/exercises/hold?version=${base}`);
    expect(refused).toMatchObject({ status: 409, body: { code: 'IN_USE', path: 'exercises/hold' } });
    expect(refused.body.message).toMatch(/“hold/);
    const value = exercise('hold', { rungs: exercise('hold').rungs.slice(1) });
    const { status, body } = await server.send('PUT', '/exercises/hold', { version: base, value });
    expect([status, body.code]).toEqual([422, 'INVALID']);
    expect((await studio()).bundle.exercises?.[0]?.rungs).toHaveLength(2);
  });
});

describe('bad bodies get their sentence and change nothing', () => {
  test.each<[string, string, unknown, number, string, RegExp]>([
    ['half a body', '/classes/test-class', '{"version": 1, "val', 400, 'BAD_JSON', /not whole JSON/],
    [
      'an unknown key',
      '/classes/x',
      { version: 0, value: { ...classOf([]), id: 'x', colour: 1 } },
      422,
      'INVALID',
      /“colour” is not known/,
    ],
    [
      'reps 10 000',
      '/classes/x',
      { version: 0, value: { ...classOf([block('hold', { dose: { reps: 10_000 } })]), id: 'x' } },
      422,
      'INVALID',
      /<=200/,
    ],
    [
      'a missing exercise',
      '/classes/x',
      { version: 0, value: { ...classOf([block('nothing')]), id: 'x' } },
      422,
      'INVALID',
      /no exercise “nothing”/,
    ],
    [
      'another id than the address',
      '/classes/x',
      { version: 0, value: classOf([]) },
      422,
      'INVALID',
      /is not the “x” it was sent to/,
    ],
    [
      'a name with markup',
      '/classes/x',
      { version: 0, value: { ...classOf([]), id: 'x', name: '<img src=x>' } },
      422,
      'INVALID',
      /found markup/,
    ],
    ['a method out of range', '/method', { version: 0, value: { secondsPerCount: 99 } }, 422, 'INVALID', /<=6/],
    [
      'a body over the limit',
      '/classes/x',
      { version: 0, value: 'x'.repeat(3 * 1024 * 1024) },
      413,
      'TOO_LARGE',
      /larger than the 2 MB/,
    ],
  ])('%s', async (_name, url, body, status, code, sentence) => {
    const before = await studio();
    const answer = await server.send('PUT', url, body);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect(answer.body.message).toMatch(sentence);
    expect(await studio()).toEqual(before);
  });

  test('an address nobody answers', async () => {
    expect((await server.send('GET', '/classes/none')).body).toMatchObject({ code: 'NOT_FOUND', path: 'classes/none' });
  });
});

describe('bundles', () => {
  test('export, wipe, import: the same studio', async () => {
    const before = (await studio()).bundle;
    const exported = (await server.send('GET', '/bundle')).body;
    await server.send('POST', '/bundle?mode=replace', emptyBundle());
    expect((await studio()).bundle.classes).toEqual([]);
    await server.send('POST', '/bundle', exported);
    expect((await studio()).bundle).toEqual(before);
  });

  test('a large file is taken in beside saves: none is lost, and memory is what the disk has', async () => {
    const classes = Array.from({ length: 200 }, (_, i) => classOf([block('hold')], { id: `many-${i}` }));
    const file = { ...emptyBundle(), classes, exercises: [exercise('taken')] };
    const importing = server.studio.import({ bundle: file }, { mode: 'merge', rehearse: false });
    // Kept while the file is looked at and brought to the database: both a class that was there and a new one.
    const was = await version('classes', 'test-class');
    const saved = (id: string, base: number) => ({
      kind: 'classes' as const,
      id,
      base,
      value: classOf([], { id, name: 'Beside' }),
    });
    await server.studio.change([saved('test-class', was), saved('beside', 0)]);
    expect((await studio()).bundle.classes).toHaveLength(2);
    await importing;
    const after = (await studio()).bundle;
    expect(after.classes).toHaveLength(202);
    expect(after.classes?.slice(0, 2).map(({ id, name }) => [id, name])).toEqual([
      ['test-class', 'Beside'],
      ['beside', 'Beside'],
    ]);
    expect(server.studio.catalog.exercise('taken')?.id).toBe('taken');
    await server.close();
    server = await startServer(folder);
    expect((await studio()).bundle).toEqual(after);
  }, 60_000);

  test('an import tells how far it is under the name it was given, and of no other', async () => {
    const classes = Array.from({ length: 600 }, (_, i) => classOf([block('hold')], { id: `many-${i}` }));
    const progress = async (name: string) => (await server.send('GET', `/progress/${name}`)).body.progress as Progress;
    const file = { ...emptyBundle(), classes };
    let done = false;
    const importing = server.send('POST', '/bundle?progress=import-mine', file).finally(() => {
      done = true;
    });
    const heard: Progress[] = [];
    while (!done) {
      const now = await progress('import-mine');
      if (now) heard.push(now);
      expect(await progress('import-other')).toBeNull();
    }
    expect((await importing).status).toBe(200);
    expect(await progress('import-mine')).toBeNull();
    const stages = ['reading', 'checking', 'bringing'];
    const places = heard.map(({ stage, done: at, of }) => stages.indexOf(stage) + at / ((of ?? 600) + 1));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(new Set(heard.map(({ stage }) => stage))).toContain('bringing');
    for (const { stage, of } of heard) expect(of).toBe({ reading: null, checking: 1_214, bringing: 600 }[stage]);
  });

  test('an import tells what it would do, and does it only when asked', async () => {
    const file = { ...emptyBundle(), classes: [classOf([], { name: 'Other' }), classOf([], { id: 'new' })] };
    const rehearsed = await server.send('POST', '/bundle?rehearse=true', file);
    expect(rehearsed.body).toMatchObject({
      report: { classes: { added: ['new'], changed: ['test-class'], unchanged: [], removed: [] } },
      rungs: { added: [], changed: [], removed: [] },
    });
    expect((await studio()).bundle.classes).toHaveLength(1);
    await server.send('POST', `/bundle?base=${rehearsed.body.revision}`, file);
    expect((await studio()).bundle.classes?.map(({ name }) => name)).toEqual(['Other', 'Test class']);
    // Rehearsed on a studio that has changed since: looked at again first.
    const late = await server.send('POST', `/bundle?mode=replace&base=${rehearsed.body.revision}`, emptyBundle());
    expect([late.status, late.body.code]).toEqual([409, 'STALE']);
    expect((await studio()).bundle.classes).toHaveLength(2);
  });

  test('a file that replaces gives the studio its order, and a restart keeps it', async () => {
    const turned = bundleOf({ exercises: [...(bundleOf().exercises ?? [])].reverse() });
    await server.send('POST', '/bundle?mode=replace', turned);
    const order = async () => (await studio()).bundle.exercises?.map(({ id }) => id);
    const wanted = turned.exercises?.map(({ id }) => id);
    expect(await order()).toEqual(wanted);
    await server.close();
    server = await startServer(folder);
    expect(await order()).toEqual(wanted);
  }, 30_000);

  test('one wrong class and nothing is taken in; the report has its path in the file', async () => {
    const before = await studio();
    const file = {
      ...emptyBundle(),
      classes: [classOf([], { id: 'fine' }), classOf([block('nothing')], { id: 'wrong' })],
    };
    const { status, body } = await server.send('POST', '/bundle', file);
    expect(status).toBe(422);
    expect(body).toMatchObject({ code: 'INVALID', path: 'classes[1].blocks[0].exercise' });
    expect(await studio()).toEqual(before);
  });

  test('an id that stands twice in the file is refused: nobody can tell which is meant', async () => {
    const file = { ...emptyBundle(), classes: [classOf([], { name: 'One' }), classOf([], { name: 'Other' })] };
    const { status, body } = await server.send('POST', '/bundle', file);
    expect([status, body.path]).toEqual([422, 'classes[1].id']);
  });

  test('a truncated file and a newer version are refused in words', async () => {
    const text = JSON.stringify(bundleOf());
    expect((await server.send('POST', '/bundle', text.slice(0, 500))).body.message).toMatch(/not whole JSON/);
    expect((await server.send('POST', '/bundle', { ...bundleOf(), version: 7 })).body.message).toMatch(
      /version 7, made by a newer/,
    );
  });
});
