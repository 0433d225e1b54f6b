import { hostname, networkInterfaces } from 'node:os';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { Refusal } from './errors';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];
const EVERYWHERE = new Set(['0.0.0.0', '::', '[::]']);

const bracketed = (host: string): string => (host.includes(':') && !host.startsWith('[') ? `[${host}]` : host);

/** Whether only this machine reaches a server that listens there. */
export const isLoopback = (host: string): boolean =>
  LOOPBACK.includes(bracketed(host)) || /^127\.\d+\.\d+\.\d+$/.test(host);

/** The addresses of this machine that others may reach. */
export const networkAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).flatMap(({ address, internal, family }) => (internal || family !== 'IPv4' ? [] : [address])),
  );

/** The addresses a server listens on for other machines. @param host one of this machine’s, or all of them */
export const addressesOf = (host: string): string[] => (EVERYWHERE.has(host) ? networkAddresses() : [host]);

/**
 * The names a server is asked for by: this machine's own, the address it was started on, and what else it was told.
 * @param host where it listens; everywhere means every address this machine has
 * @param names further names, as of a proxy in front of it
 */
export function hostsOf(host: string, names: readonly string[] = []): ReadonlySet<string> {
  const addresses = EVERYWHERE.has(host)
    ? [hostname(), ...Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map(({ address }) => address))]
    : [host];
  return new Set([...LOOPBACK, ...[...addresses, ...names].map((each) => bracketed(each).toLowerCase())]);
}

/** The host of a `Host` header, without its port. */
const nameIn = (header: string): string => header.toLowerCase().replace(/:\d+$/, '');

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Answers only what was asked of this server by name, and writes only what its own pages ask. A page of another site
 * can point a name of its own at this machine, or send a form here; neither carries the director's will.
 */
export function guard(app: FastifyInstance, hosts: ReadonlySet<string>): void {
  app.addHook('onRequest', async (request) => {
    if (!hosts.has(nameIn(request.headers.host ?? ''))) throw wrongHost();
    if (!isForeign(request)) return;
    if (!READS.has(request.method)) {
      throw new Refusal('FORBIDDEN', 'A page of another site may not change this studio; nothing was changed.');
    }
    // A page of another site learns nothing of what it asks for, and may not have pages and packages made all the same.
    if (request.url.startsWith('/api/')) {
      throw new Refusal('FORBIDDEN', 'A page of another site may not ask this studio for anything.');
    }
  });
}

const wrongHost = (): Refusal =>
  new Refusal(
    'WRONG_HOST',
    'This server is not asked for by that name. Open it by the address it printed, or start it with --name.',
  );

/** What can’t be asked at all, as an address that can’t be decoded, is refused in the one shape, guarded like the rest. */
export const speakFrameworkErrors =
  (hosts: ReadonlySet<string>) =>
  (error: Error, request: FastifyRequest, reply: FastifyReply): void => {
    const refusal = hosts.has(nameIn(request.headers.host ?? ''))
      ? new Refusal('BAD_REQUEST', `The address can’t be read (${error.message.slice(0, 80)}); nothing was changed.`)
      : wrongHost();
    void reply
      .status(refusal.status)
      .headers({
        'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
        'x-content-type-options': 'nosniff',
        'cache-control': 'no-store',
      })
      .send(refusal.body);
  };

/** Whether a browser says that another site's page sends this. Programs that are no browser say nothing. */
function isForeign({ headers }: FastifyRequest): boolean {
  const site = headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  const { origin } = headers;
  if (origin === undefined) return false;
  try {
    return new URL(origin).host !== headers.host?.toLowerCase();
  } catch {
    return true;
  }
}
