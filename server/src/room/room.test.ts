import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { join } from 'node:path';
import type { Log } from '@warm-ladder/core/taught';
import { block, bundleOf, classOf } from '@warm-ladder/core/testing';
import { temporaryFolder, useServer } from '../testing';
import { BadCertificate, type Certificate, givenCertificate, madeCertificate } from './certificate';
import { listenInRoom } from './listenInRoom';

/** Another address of this machine: what comes over it counts as another machine's. */
const ROOM = '127.0.0.2';
const NAMES = new Set([ROOM, 'kiln-hall']);
const made = temporaryFolder();
afterAll(made.remove);

const running = useServer();
let certificate: Certificate;
let close = async () => {};
let port = 0;
beforeAll(async () => {
  await running.server.send('POST', '/bundle?mode=replace', bundleOf());
  certificate = await madeCertificate(made.folder, NAMES);
  port = Number(new URL(running.server.address).port);
  ({ close } = await listenInRoom(running.server.app, { host: ROOM, port, certificate, everything: false }));
});
afterAll(() => close());

/** Asked from another machine, over TLS, by somebody who trusts the studio's own authority and nobody else. */
function ask(method: string, path: string, body?: unknown) {
  return new Promise<{ status: number; location: string | undefined; text: string }>((resolve, reject) => {
    const sent = request(
      {
        host: ROOM,
        port,
        method,
        path,
        ca: certificate.authority ?? '',
        headers: { host: '127.0.0.1', ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8').on('data', (chunk) => {
          text += chunk;
        });
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, location: response.headers.location, text }),
        );
      },
    );
    sent.on('error', reject);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

const LOG: Log = {
  id: 'taught-1',
  class: 'test-class',
  date: '2027-01-11',
  source: 'live',
  blocks: [{ id: 'b1', did: 'planned' }],
};
const change = (kind: string, id: string, version: number, value: unknown) => ({
  changes: [{ kind, id, version, value }],
});

test.each([
  ['GET', '/api/health', 200],
  ['GET', '/api/programme?from=2027-01-11&to=2027-01-17', 200],
  ['GET', '/api/studio?class=test-class', 200],
  // What is the whole studio, or changes it, is this machine's own.
  ['GET', '/api/studio', 403],
  ['GET', '/api/studio?class=gone', 404],
  ['GET', '/api/bundle', 403],
  ['GET', '/api/audiences', 403],
  ['GET', '/api/history', 403],
  ['GET', '/api/feed', 403],
  ['GET', '/api/phones', 403],
  ['POST', '/api/bundle?mode=replace', 403],
  ['DELETE', '/api/classes/test-class?version=1', 403],
  ['PUT', '/api/classes/test-class', 403],
  ['POST', '/tonight', 403],
])('from another machine, %s %s', async (method, path, status) => {
  const body = method === 'POST' || method === 'PUT' ? {} : undefined;
  expect((await ask(method, path, body)).status).toBe(status);
});

test('from another machine every page but those of the room leads to the classes of today', async () => {
  for (const path of ['/', '/class/test-class', '/method', '/rehearsed', '/%2e%2e/class']) {
    const { status, location } = await ask('GET', path);
    expect([path, status, location]).toEqual([path, 302, '/tonight']);
  }
});

test('from another machine a class comes with the audience it is for, and no other', async () => {
  const audience = (id: string) => ({ id, name: id });
  const plan = classOf([block('hold')], { audience: 'its-own' });
  const studio = bundleOf({ audiences: [audience('its-own'), audience('others')], classes: [plan] });
  await running.server.send('POST', '/bundle?mode=replace', studio);
  const named = (text: string) => JSON.parse(text).bundle.audiences.map(({ id }: { id: string }) => id);
  expect(named((await ask('GET', '/api/studio?class=test-class')).text)).toEqual(['its-own']);
  const here = await running.server.send('GET', '/studio?class=test-class');
  expect(named(JSON.stringify(here.body))).toEqual(['its-own', 'others']);
});

test('from another machine a new log is kept, and nothing else is changed', async () => {
  const revision = async () => (await running.server.send('GET', '/health')).body.revision;
  const before = await revision();
  for (const refused of [
    change('classes', 'test-class', 1, null),
    change('logs', 'taught-1', 1, LOG),
    change('logs', 'taught-1', 0, null),
    { changes: [...change('logs', 'taught-1', 0, LOG).changes, ...change('method', 'house', 0, {}).changes] },
  ]) {
    expect((await ask('POST', '/api/changes', refused)).status).toBe(403);
  }
  expect(await revision()).toBe(before);
  expect((await ask('POST', '/api/changes', change('logs', 'taught-1', 0, LOG))).status).toBe(200);
  expect((await running.server.send('GET', '/logs/taught-1')).body.value).toEqual(LOG);
});

test('a certificate vouches for the names it was made for, is kept, and is made anew for others or when damaged', async () => {
  const { cert, authority } = certificate;
  const [own, signer] = [new X509Certificate(cert), new X509Certificate(authority ?? '')];
  expect(own.checkIssued(signer)).toBe(true);
  expect([own.checkIP(ROOM), own.checkHost('kiln-hall'), own.checkHost('elsewhere')]).toEqual([
    ROOM,
    'kiln-hall',
    undefined,
  ]);
  expect([own.ca, signer.ca]).toEqual([false, true]);
  // Phones take none that lasts longer.
  expect((new Date(own.validTo).getTime() - Date.now()) / 86_400_000).toBeLessThan(825);
  expect(await madeCertificate(made.folder, NAMES)).toEqual(certificate);
  const more = await madeCertificate(made.folder, new Set([...NAMES, '10.0.0.7']));
  expect(new X509Certificate(more.cert).checkIP('10.0.0.7')).toBe('10.0.0.7');
  writeFileSync(join(made.folder, 'certificate.json'), '{"key":');
  expect((await madeCertificate(made.folder, NAMES)).cert).toMatch(/^-----BEGIN CERTIFICATE/);
  // The authority's key is nowhere: nobody signs anything else with what phones trust.
  expect(Object.keys(JSON.parse(readFileSync(join(made.folder, 'certificate.json'), 'utf8')))).toEqual([
    'key',
    'cert',
    'authority',
  ]);
});

test('a certificate that can’t be read is refused in a sentence', () => {
  const missing = join(made.folder, 'none.pem');
  expect(existsSync(missing)).toBe(false);
  expect(() => givenCertificate(missing, missing)).toThrow(BadCertificate);
  expect(() => givenCertificate(missing, missing)).toThrow(/expected --cert and --key with PEM files/);
});
