import { request } from 'node:http';
import { connect } from 'node:net';
import { emptyBundle } from '@warm-ladder/core/formats';
import { bundleOf } from '@warm-ladder/core/testing';
import { hostsOf, isLoopback } from './guard';
import { LARGEST_FILE } from './routes/limits';
import { useServer } from './testing';

const running = useServer();
beforeAll(async () => {
  await running.server.send('POST', '/bundle?mode=replace', bundleOf());
});

/** A request as a browser or another program would send it, with headers that `fetch` does not let one set. */
function ask(method: string, path: string, headers: Record<string, string> = {}, body?: string) {
  return new Promise<{ status: number; headers: Record<string, unknown>; text: string }>((resolve, reject) => {
    const sent = request(running.server.address + path, { method, headers }, (response) => {
      let text = '';
      response.setEncoding('utf8').on('data', (chunk) => {
        text += chunk;
      });
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    sent.on('error', reject);
    sent.end(body);
  });
}
const json = { 'content-type': 'application/json' };
const classes = async () => (await running.server.send('GET', '/studio')).body.bundle.classes?.length;

test.each([
  ['a name of another site', 'evil.example', 421],
  ['a name that ends like ours', 'localhost.evil.example', 421],
  ['this machine', 'localhost:4400', 200],
  ['its address', '127.0.0.1', 200],
  ['its other address', '[::1]:4400', 200],
])('asked by %s', async (_name, host, status) => {
  expect((await ask('GET', '/api/bundle', { host })).status).toBe(status);
});

test.each([
  ['a form of another site', { 'content-type': 'text/plain', origin: 'http://evil.example' }, 403],
  ['its script, whatever the type', { ...json, origin: 'http://evil.example' }, 403],
  ['a page that hides where it comes from', { ...json, origin: 'null' }, 403],
  ['a site beside ours', { ...json, 'sec-fetch-site': 'same-site' }, 403],
  ['another site without an origin', { ...json, 'sec-fetch-site': 'cross-site' }, 403],
  ['another port of this machine', { ...json, origin: 'http://127.0.0.1:1' }, 403],
  ['a type that a form can send', { 'content-type': 'text/plain' }, 415],
  ['a form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
])('a write of %s changes nothing', async (_name, headers, status) => {
  const answer = await ask('POST', '/api/bundle?mode=replace', headers, JSON.stringify(emptyBundle()));
  expect(answer.status).toBe(status);
  expect(JSON.parse(answer.text)).toMatchObject({ message: expect.stringMatching(/\.$/) });
  expect(await classes()).toBe(1);
});

test('a page of another site has nothing read or made for it, and a link to the app still opens', async () => {
  const foreign = { 'sec-fetch-site': 'cross-site' };
  for (const path of ['/api/bundle', '/api/handouts/test-class?as=pdf', '/api/feed?since=0', '/api/nothing']) {
    const answer = await ask('GET', path, foreign);
    expect([path, answer.status, JSON.parse(answer.text).code]).toEqual([path, 403, 'FORBIDDEN']);
  }
  expect((await ask('GET', '/class/test-class', foreign)).status).not.toBe(403);
});

test.each([
  ['a lone percent sign', '/%', 400, 'BAD_REQUEST'],
  ['half of a character', '/api/classes/%E0%A4%A', 400, 'BAD_REQUEST'],
  ['an id longer than any', `/api/classes/${'x'.repeat(150)}`, 400, 'BAD_REQUEST'],
  ['a part of an address longer than any', `/api/classes/${'x'.repeat(2_000)}`, 400, 'BAD_REQUEST'],
])('%s is refused in the one shape, guarded like the rest', async (_name, path, status, code) => {
  const answer = await ask('GET', path);
  expect([answer.status, JSON.parse(answer.text)]).toEqual([
    status,
    expect.objectContaining({ code, message: expect.stringMatching(/\.$/) }),
  ]);
  expect(answer.headers).toMatchObject({
    'content-security-policy': expect.any(String),
    'x-content-type-options': 'nosniff',
  });
  expect((await ask('GET', path, { host: 'evil.example' })).status).toBe(421);
});

test('our own page, and programs that are no browser, may write', async () => {
  const own = { ...json, origin: running.server.address, 'sec-fetch-site': 'same-origin' };
  for (const headers of [own, json]) {
    const answer = await ask('POST', '/api/bundle?rehearse=true', headers, JSON.stringify(emptyBundle()));
    expect(answer.status).toBe(200);
  }
});

test('what people’s bodies are like is kept by no cache, and large answers are compressed', async () => {
  const { headers } = await ask('GET', '/api/studio', { 'accept-encoding': 'gzip' });
  expect(headers).toMatchObject({ 'cache-control': 'no-store', 'content-encoding': 'gzip' });
  expect((await ask('GET', '/api/nothing')).headers['cache-control']).toBe('no-store');
});

test('an address nobody answers, a head too long and a line that is no request have the one shape', async () => {
  expect(JSON.parse((await ask('GET', '/api/nothing')).text)).toMatchObject({ code: 'NOT_FOUND', path: null });
  const long = await ask('GET', '/api/health', { 'x-long': 'x'.repeat(100_000) });
  expect([long.status, JSON.parse(long.text).code]).toEqual([431, 'TOO_LONG']);
  const raw = await new Promise<string>((resolve) => {
    const socket = connect(Number(new URL(running.server.address).port), '127.0.0.1', () =>
      socket.end('NONSENSE\r\n\r\n'),
    );
    socket.once('data', (chunk) => resolve(String(chunk)));
  });
  expect(raw).toMatch(/^HTTP\/1.1 400 [\s\S]*"code":"BAD_REQUEST"/);
});

test('a file sent without its length is read whole, and one over the limit is refused in words', async () => {
  const sent = (parts: readonly string[]) =>
    new Promise<string>((resolve, reject) => {
      const socket = connect(Number(new URL(running.server.address).port), '127.0.0.1');
      socket.on('error', reject).once('data', (chunk) => {
        resolve(String(chunk));
        socket.destroy();
      });
      socket.write(
        'POST /api/bundle?rehearse=true HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: application/json\r\n' +
          'transfer-encoding: chunked\r\n\r\n',
      );
      for (const part of parts) socket.write(`${part.length.toString(16)}\r\n${part}\r\n`);
      socket.write('0\r\n\r\n');
    });
  const file = JSON.stringify(bundleOf());
  const cut = Array.from({ length: Math.ceil(file.length / 700) }, (_, i) => file.slice(700 * i, 700 * (i + 1)));
  expect(await sent(cut)).toMatch(/^HTTP\/1.1 200 [\s\S]*"unchanged":\["test-class"\]/);
  const mebibyte = ' '.repeat(2 ** 20);
  const over = await sent(Array.from({ length: LARGEST_FILE / 2 ** 20 + 1 }, () => mebibyte));
  expect(over).toMatch(/^HTTP\/1.1 413 [\s\S]*"code":"TOO_LARGE"/);
}, 30_000);

test('the names of a server: this machine, where it listens, and what it is told', () => {
  expect([...hostsOf('127.0.0.1')]).toEqual(['localhost', '127.0.0.1', '[::1]']);
  expect(hostsOf('192.168.4.2', ['Studio.Local']).has('studio.local')).toBe(true);
  expect(hostsOf('192.168.4.2').has('192.168.4.2')).toBe(true);
  expect(hostsOf('0.0.0.0').has('evil.example')).toBe(false);
  expect(['127.0.0.1', '::1', 'localhost', '127.3.2.1'].every(isLoopback)).toBe(true);
  expect(['0.0.0.0', '192.168.4.2', '::'].some(isLoopback)).toBe(false);
});
