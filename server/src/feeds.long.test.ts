import { once } from 'node:events';
import { connect } from 'node:net';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import { MOST_FEEDS } from './routes/limits';
import { useServer } from './testing';

const running = useServer();

test('a feed nobody reads is let go, and no more are open than the server holds', async () => {
  const { address, send, studio } = running.server;
  await send('POST', '/bundle?mode=replace', bundleOf());
  const { revision } = studio;
  const socket = connect(Number(new URL(address).port), '127.0.0.1');
  socket.write(`GET /api/feed?since=${revision} HTTP/1.1\r\nhost: 127.0.0.1\r\n\r\n`);
  await once(socket, 'readable');
  socket.pause();
  const closed = once(socket, 'close');
  // Told of eight documents of which a megabyte was changed each; what the system itself takes in is far less.
  const notes = (word: string) =>
    Array.from({ length: 200 }, (_, i) => block('hold', { id: `b${i}`, notes: word.repeat(480) }));
  let version = 0;
  for (let i = 0; i < 8; i++) {
    const value = classOf(notes(`Slowly ${i}`), { id: 'long', name: `Long ${i}` });
    const { status, body } = await send('PUT', '/classes/long', { version, value });
    expect(status).toBe(200);
    version = Number(body.version);
  }
  socket.resume();
  await closed;

  const stop = new AbortController();
  const open = () => fetch(`${address}/api/feed?since=${revision}`, { signal: stop.signal });
  const feeds = await Promise.all(Array.from({ length: MOST_FEEDS }, open));
  expect(feeds.every(({ status }) => status === 200)).toBe(true);
  const one = await open();
  expect([one.status, ((await one.json()) as { message: string }).message]).toEqual([
    429,
    `There are ${MOST_FEEDS} feeds open, as many as this server holds. Try again later.`,
  ]);
  stop.abort();
}, 60_000);
