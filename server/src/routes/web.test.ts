import { mkdirSync, writeFileSync } from 'node:fs';
import { type IncomingHttpHeaders, request } from 'node:http';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import Fastify from 'fastify';
import { speakErrors } from '../errors';
import { temporaryFolder } from '../testing';
import { serveWeb } from './web';

const { folder, remove } = temporaryFolder();
const app = Fastify();
let address = '';
const SCRIPT = 'export const reps = 8;\n'.repeat(200);

beforeAll(async () => {
  mkdirSync(join(folder, 'assets'));
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Warm Ladder</title>');
  writeFileSync(join(folder, 'room.html'), '<!doctype html><title>Rehearsal</title>');
  writeFileSync(join(folder, 'assets/view-1a2b.js'), SCRIPT);
  writeFileSync(join(folder, 'assets/view-1a2b.js.br'), brotliCompressSync(SCRIPT));
  writeFileSync(join(folder, 'assets/view-1a2b.js.gz'), gzipSync(SCRIPT));
  speakErrors(app);
  await serveWeb(app, folder);
  address = await app.listen({ port: 0, host: '127.0.0.1' });
});
afterAll(async () => {
  await app.close();
  remove();
});
/** What is really sent: not unpacked on the way. */
const get = (path: string, encoding = '') =>
  new Promise<{ status: number; headers: IncomingHttpHeaders; body: Buffer }>((resolve, reject) => {
    const sent = request(address + path, { headers: { 'accept-encoding': encoding } }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () =>
        resolve({ status: response.statusCode ?? 0, headers: response.headers, body: Buffer.concat(chunks) }),
      );
    });
    sent.on('error', reject);
    sent.end();
  });

test('a built file is kept for ever and comes compressed, the page itself is always asked for', async () => {
  for (const encoding of ['br', 'gzip']) {
    const { headers, body } = await get('/assets/view-1a2b.js', encoding);
    expect(headers).toMatchObject({
      'cache-control': 'public, max-age=31536000, immutable',
      'content-encoding': encoding,
      'content-type': expect.stringContaining('javascript'),
    });
    expect(body.length).toBeLessThan(SCRIPT.length / 10);
  }
  expect(String((await get('/assets/view-1a2b.js')).body)).toBe(SCRIPT);
  for (const url of ['/', '/class/monday-1', '/rehearse/monday-1?teacher=ilva']) {
    const { status, headers, body } = await get(url, 'br');
    expect([status, headers['cache-control']]).toEqual([200, 'no-cache']);
    expect(String(body)).toContain(url.startsWith('/rehearse') ? 'Rehearsal</title>' : '<title>Warm Ladder</title>');
  }
});

test('with a page the browser is told what that will ask for', async () => {
  const asked = async (url: string) => String((await get(url)).headers.link).match(/<(.*)>; rel=preload/)?.[1];
  expect(await asked('/')).toBe('/api/studio');
  expect(await asked('/repertoire/bridge')).toBe('/api/studio');
  for (const page of ['class', 'script', 'room']) {
    expect(await asked(`/${page}/monday-1?teacher=ilva`)).toBe('/api/studio?class=monday-1');
  }
  // A page in the room asks for the teacher's own pace too.
  for (const page of ['rehearse', 'teach', 'read']) {
    expect(await asked(`/${page}/monday-1`)).toBe('/api/studio?class=monday-1');
    expect(await asked(`/${page}/monday-1?teacher=ilva`)).toBe('/api/studio?class=monday-1&teacher=ilva');
  }
  expect(await asked('/class/a%20%22%3E%0d%0aset-cookie')).toBe('/api/studio?class=a+%22%3E%0D%0Aset-cookie');
});

test('a file that is not there is said so, and no page is sent in its place', async () => {
  for (const url of ['/assets/gone-3c4d.js', '/api/nothing']) {
    const { status, headers, body } = await get(url);
    expect([status, JSON.parse(String(body)).code]).toEqual([404, 'NOT_FOUND']);
    expect(headers['cache-control'] ?? '').not.toContain('immutable');
  }
});

test('a web app that is not built is said with what to do', async () => {
  await expect(serveWeb(Fastify(), join(folder, 'none'))).rejects.toThrow('Build it: npm run build.');
});
