import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Bundle } from '@warm-ladder/core/formats';
import { Catalog } from '@warm-ladder/core/repertoire';
import { documentSchemas } from '@warm-ladder/core/schemas';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import {
  allRoutes,
  openApi,
  REFUSALS,
  type RefusalBody,
  type Route,
  refusalSchema,
  refusalsOf,
  type StudioAnswer,
} from '@warm-ladder/core/wire';
import { told, useServer } from './testing';

const running = useServer();
beforeEach(async () => {
  await running.server.send('POST', '/bundle?mode=replace', bundleOf());
});

const ROUTES = Object.entries(allRoutes());

interface Said {
  readonly path?: string;
  readonly query?: string;
  readonly body?: string;
  readonly type?: string;
}

/** Asks a route as it is written in the contract. */
async function ask({ method, path, body }: Route, said: Said = {}): Promise<Response> {
  return fetch(`${running.server.address}/api${said.path ?? path}${said.query ?? ''}`, {
    method,
    ...(said.body === undefined ? {} : { body: said.body, headers: { 'content-type': said.type ?? body?.type ?? '' } }),
  });
}

const route = (name: string): Route => {
  const found = allRoutes()[name];
  if (!found) throw new Error(`no route is called ${name}`);
  return found;
};
const versionOf = async (kind: string, id: string): Promise<number> =>
  (await running.server.send('GET', '/studio')).body.versions[kind]?.[id] ?? 0;
const firstCopy = async (): Promise<string> => {
  const copies = (await (await ask(route('copies'))).json()) as Array<{ name: string }>;
  return copies[0]?.name ?? '';
};

/** What each route is asked with, so that it does what it is for; the others are asked with nothing. */
const SAID: Readonly<Record<string, () => Said | Promise<Said>>> = {
  change: () => ({
    body: JSON.stringify({
      changes: [
        { kind: 'classes', id: 'new', version: 0, value: classOf([], { id: 'new' }) },
        { kind: 'classes', id: 'test-class', version: 1, value: null },
        { kind: 'classes', id: 'bad', version: 0, value: {} },
      ],
    }),
  }),
  programme: () => ({ query: '?from=2027-01-11&to=2027-01-17' }),
  import: () => ({ query: '?rehearse=true', body: JSON.stringify(bundleOf({ classes: [] })) }),
  importTable: async () => ({ query: '?rehearse=true', body: await (await ask(route('exportTable'))).text() }),
  copy: async () => ({ path: `/copies/${await firstCopy()}` }),
  restore: async () => ({ path: `/copies/${await firstCopy()}/restore` }),
  findClasses: () => ({ path: '/classes/test-class' }),
  putClasses: async () => ({
    path: '/classes/test-class',
    body: JSON.stringify({ version: await versionOf('classes', 'test-class'), value: classOf([block('hold')]) }),
  }),
  removeSeries: async () => ({ path: '/series/a-series', query: `?version=${await versionOf('series', 'a-series')}` }),
  putMethod: async () => ({ body: JSON.stringify({ version: await versionOf('method', 'house'), value: {} }) }),
};
/** Asked of a set-aside document, of which this studio has none. */
const SILENT = new Set(['feed', 'putBack', 'letGo']);
/** Of each question about documents one kind stands for all. */
const doesWhatItIsFor = ([name, { params, body }]: [string, Route]) =>
  !SILENT.has(name) && (SAID[name] !== undefined || (!params && !body));

test.each(ROUTES.filter(doesWhatItIsFor))('%s answers as the contract says', async (name, own) => {
  if (name === 'findMethod') await ask(route('putMethod'), await SAID.putMethod?.());
  const response = await ask(own, await SAID[name]?.());
  expect(response.status).toBe(200);
  expect(response.headers.get('content-type')).toContain(own.answer.type);
  const answer = own.answer.type === 'application/json' ? await response.json() : await response.text();
  expect(own.answer.schema.safeParse(answer).error?.issues ?? []).toEqual([]);
});

test('the studio comes packed to who can unpack it, and plain to others; after a change both are the new one', async () => {
  const read = async (encoding: string) => {
    const headers = { 'accept-encoding': encoding };
    const response = await fetch(`${running.server.address}/api/studio`, { headers });
    return [response.headers.get('content-encoding'), await response.json()] as const;
  };
  for (const turn of [1, 2]) {
    const [packed, plain] = [await read('gzip'), await read('identity')];
    expect([turn, packed[0], plain[0]]).toEqual([turn, 'gzip', null]);
    expect(packed[1]).toEqual(plain[1]);
    expect(JSON.stringify(plain[1]).includes('"id":"new"')).toBe(turn === 2);
    await ask(route('change'), await SAID.change?.());
  }
});

test('the page of a class is sent that class and what it stands on; of one that is gone, the whole studio', async () => {
  const sent = async (query = '') =>
    (await running.server.send('GET', `/studio${query}`)).body as unknown as StudioAnswer;
  const idsIn = ({ bundle, versions }: StudioAnswer, kind: 'classes' | 'exercises') => {
    const ids = bundle[kind]?.map(({ id }) => id) ?? [];
    expect(Object.keys(versions[kind] ?? {})).toEqual(ids);
    return ids;
  };
  const [whole, part] = [await sent(), await sent('?class=test-class')];
  expect([idsIn(part, 'classes'), idsIn(part, 'exercises')]).toEqual([
    ['test-class'],
    // What its room can take is in it, done or not.
    ['hold', 'curl', 'reach'],
  ]);
  expect(idsIn(whole, 'exercises').length).toBeGreaterThan(2);
  expect(part).toMatchObject({ only: 'test-class', studio: whole.studio, revision: whole.revision });
  expect(part.bundle.series).toEqual(whole.bundle.series);
  const heatsOf = ({ exercises = [], method, props, positions }: Bundle) => {
    const catalog = new Catalog({ exercises, method, props, positions });
    return catalog.heatsOf(catalog.rungs);
  };
  // What was measured to choose the part is told with it, and with the whole from then on.
  expect([whole.heats, part.heats]).toEqual([{}, heatsOf(part.bundle)]);
  expect(await sent('?class=gone')).toEqual({ ...whole, heats: heatsOf(whole.bundle) });
});

test('what is told as it happens is as the contract says', async () => {
  const since = Number((await running.server.send('GET', '/studio')).body.revision);
  const event = told(running.server, since, ({ changes }) => changes?.some(({ id }) => id === 'new') === true);
  await ask(route('change'), await SAID.change?.());
  expect(route('feed').answer.schema.safeParse(await event).error?.issues ?? []).toEqual([]);
});

/** The same with a wrong word everywhere: each is refused, and by a code that the contract names for it. */
test.each(ROUTES.filter(([, { params, query, body }]) => params ?? query ?? body))(
  '%s refuses what it can’t read, with a code the contract names',
  async (_name, own) => {
    const path = own.path.replaceAll(/\{\w+\}/g, 'nothing-such');
    const query = own.query ? '?since=x&version=x&rehearse=x&mode=x&base=x' : '';
    const response = await ask(own, { path, query, ...(own.body ? { body: '{"wrong": ' } : {}) });
    const body = (await response.json()) as RefusalBody;
    expect(refusalSchema.safeParse(body).error?.issues ?? []).toEqual([]);
    expect([...refusalsOf(own)]).toContain(body.code);
    expect(response.status).toBe(REFUSALS[body.code]);
  },
);

test('a stale write and what something names are refused as the contract says', async () => {
  const put = { path: '/classes/test-class', body: JSON.stringify({ version: 1, value: classOf([]) }) };
  const version = await versionOf('exercises', 'hold');
  const refused = [
    await ask(route('putClasses'), put),
    await ask(route('removeExercises'), { path: '/exercises/hold', query: `?version=${version}` }),
  ];
  const bodies = (await Promise.all(refused.map((each) => each.json()))) as RefusalBody[];
  expect(bodies.map(({ code }) => code)).toEqual(['STALE', 'IN_USE']);
  for (const body of bodies) expect(refusalSchema.safeParse(body).error?.issues ?? []).toEqual([]);
});

test('every route of the contract is registered, and the server has no other', async () => {
  const registered = running.server.routes();
  const said = ROUTES.map(([, { method, path }]) => `${method} /api${path.replaceAll(/\{(\w+)\}/g, ':$1')}`);
  expect([...registered].sort()).toEqual(said.sort());
});

const DOCUMENT = join(import.meta.dirname, '../../docs/openapi.json');
/** The validator can't be required, so it runs by itself. */
const VALIDATE = `
  import { readFileSync } from 'node:fs';
  import { Validator } from '@seriousme/openapi-schema-validator';
  const document = JSON.parse(readFileSync(${JSON.stringify(DOCUMENT)}, 'utf8'));
  console.log(JSON.stringify(await new Validator().validate(document)));
`;

test('the published document is what the contract says, and is OpenAPI', () => {
  const document = openApi();
  const file = JSON.parse(readFileSync(DOCUMENT, 'utf8'));
  expect(file).toEqual(JSON.parse(JSON.stringify(document)));
  expect(
    JSON.parse(execFileSync(process.execPath, ['--input-type=module', '-e', VALIDATE], { encoding: 'utf8' })),
  ).toEqual({ valid: true });
  expect(Object.keys(file.components.schemas)).toEqual(expect.arrayContaining(['Bundle', 'Class', 'Rung', 'Refusal']));
  expect(Object.keys(file.paths)).toEqual(
    expect.arrayContaining(
      Object.keys(documentSchemas).map((kind) => (kind === 'method' ? '/method' : `/${kind}/{id}`)),
    ),
  );
});
