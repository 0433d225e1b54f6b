import { CSV_COLUMNS } from '@warm-ladder/core/tables';
import { bundleOf } from '@warm-ladder/core/testing';
import { useServer } from './testing';

const running = useServer();
beforeAll(async () => {
  await running.server.send('POST', '/bundle?mode=replace', bundleOf());
});

const table = (method: 'GET' | 'POST', query = '', body?: string) =>
  fetch(`${running.server.address}/api/repertoire.csv${query}`, {
    method,
    ...(body === undefined ? {} : { body, headers: { 'content-type': 'text/csv' } }),
  });
interface Answer {
  readonly code?: string;
  readonly plain: readonly string[];
  readonly report: { readonly exercises: Record<string, string[]> };
  readonly problems: ReadonlyArray<{ readonly path: string }>;
}
const posted = async (query: string, body: string): Promise<Answer> =>
  (await (await table('POST', query, body)).json()) as Answer;
const exercises = async () => (await running.server.send('GET', '/studio')).body.bundle.exercises ?? [];

test('the repertoire goes out as a table with a name, and in again without changing anything', async () => {
  const sent = await table('GET');
  const body = await sent.text();
  expect(sent.status).toBe(200);
  expect(sent.headers.get('content-type')).toMatch(/^text\/csv; charset=utf-8/);
  expect(sent.headers.get('content-disposition')).toContain('repertoire.csv');
  expect(body.split('\r\n')[0]).toBe(CSV_COLUMNS.join(','));
  const before = await exercises();
  const answer = await posted('', body);
  expect(answer.plain).toEqual([]);
  expect(answer.report.exercises).toMatchObject({ added: [], changed: [], removed: [] });
  expect(await exercises()).toEqual(before);
});

test('a rehearsal only tells; the real thing keeps, and new rungs come with a plain pose', async () => {
  const csv = `${CSV_COLUMNS.slice(0, 13).join(',')}\nslide,Slide,supine,neutral,alternate,,one,One heel,,20,1,6,`;
  const rehearsed = await posted('?rehearse=true', csv);
  expect(rehearsed).toMatchObject({ plain: ['slide/one'], report: { exercises: { added: ['slide'] } } });
  expect((await exercises()).some(({ id }) => id === 'slide')).toBe(false);
  await table('POST', '?rehearse=false', csv);
  expect((await exercises()).find(({ id }) => id === 'slide')?.rungs[0]?.poses).toHaveProperty('home');
});

test('a table that can’t be is refused with every row and column, and nothing of it is kept', async () => {
  const before = await exercises();
  const csv = `${CSV_COLUMNS.slice(0, 13).join(',')}\nfine,Fine,supine,neutral,both,,one,One,,20,1,6,\nbad,Bad,supine,up,both,,one,One,none,x,1,6,`;
  const refused = await table('POST', '', csv);
  expect(refused.status).toBe(422);
  const { problems } = (await refused.json()) as Answer;
  expect(problems.map(({ path }) => path)).toEqual(
    expect.arrayContaining(['row 3.directions', 'row 3.set-up seconds']),
  );
  expect(await exercises()).toEqual(before);
  expect((await posted('?rehearse=perhaps', csv)).code).toBe('BAD_REQUEST');
});
