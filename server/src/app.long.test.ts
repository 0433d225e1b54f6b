import { block, bundleOf, classOf, demoBundle } from '@warm-ladder/core/testing';
import { LARGEST_STUDIO } from './routes/limits';
import { useServer } from './testing';

const running = useServer();

test('the first page asked for waits for the rungs to be measured, and nobody else does', async () => {
  await running.server.send('POST', '/bundle?mode=replace', JSON.stringify(demoBundle()));
  const { studio } = running.server;
  let turns = 0;
  let waiting = true;
  const count = () => {
    turns += 1;
    if (waiting) setImmediate(count);
  };
  setImmediate(count);
  const [one, other] = await Promise.all([studio.partFor('series', 'bench-to-mat'), studio.textFor('rowers-sixty')]);
  waiting = false;
  expect([one?.series?.length, other?.length]).not.toContain(undefined);
  // Turns of the loop meanwhile, in each of which somebody else is answered: a stretch is a dozen rungs at most.
  expect(turns).toBeGreaterThan(studio.catalog.rungs.length / 60);
}, 60_000);

test('a studio as large as the server keeps is exported and taken in again; more is refused and changes nothing', async () => {
  const { send } = running.server;
  await send('POST', '/bundle?mode=replace', bundleOf());
  // Two bytes a letter, a little under the two megabytes that one document may have.
  const notes = Array.from({ length: 200 }, (_, i) => block('hold', { id: `b${i}`, notes: 'é'.repeat(3_900) }));
  let kept = 0;
  let refused: { status: number; body: Record<string, unknown> } | null = null;
  for (; !refused && kept < 100; kept++) {
    const value = classOf(notes, { id: `full-${kept}`, name: `Full ${kept}` });
    const answer = await send('PUT', `/classes/full-${kept}`, { version: 0, value });
    if (answer.status !== 200) refused = answer;
  }
  expect(refused).toMatchObject({ status: 413, body: { code: 'TOO_LARGE' } });
  expect(kept).toBeGreaterThan(LARGEST_STUDIO / 1_000_000);
  const file = await (await fetch(`${running.server.address}/api/bundle`)).text();
  await send('POST', '/bundle?mode=replace', bundleOf());
  const taken = await send('POST', '/bundle?mode=merge', file);
  expect(taken.status).toBe(200);
  expect(await (await fetch(`${running.server.address}/api/bundle`)).text()).toBe(file);
}, 300_000);
