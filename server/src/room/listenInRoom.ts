import { createServer as createPlain, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createEncrypted } from 'node:https';
import type { FastifyInstance } from 'fastify';
import { addressesOf } from '../guard';
import { MOST_CONNECTIONS } from '../routes/limits';
import type { Certificate } from './certificate';
import { fromRoom } from './roomRequests';

/** Milliseconds in which a request must have arrived. */
const REQUEST_TIME = 60_000;

interface RoomOptions {
  /** An address of this machine, or all of them. */
  readonly host: string;
  readonly port: number;
  /** What it is encrypted with; nothing where something in front of it encrypts. */
  readonly certificate: Certificate | null;
  /** Other machines are answered like this one. */
  readonly everything: boolean;
}

interface RoomListener {
  /** Addresses it is opened by. */
  readonly addresses: readonly string[];
  readonly close: () => Promise<void>;
}

/**
 * Listens on this machine’s addresses in the network, beside the one that only this machine reaches, and answers with
 * the same app.
 * @throws NodeJS.ErrnoException where an address can’t be listened on
 */
export async function listenInRoom(
  app: FastifyInstance,
  { host, port, certificate, everything }: RoomOptions,
): Promise<RoomListener> {
  const answer = (request: IncomingMessage, response: ServerResponse) => {
    if (!everything) fromRoom(request);
    app.routing(request, response);
  };
  const servers: Server[] = [];
  const close = async () => {
    await Promise.all(
      servers.map(
        (server) =>
          new Promise<void>((resolve) => {
            server.close(() => resolve());
            server.closeAllConnections();
          }),
      ),
    );
  };
  const addresses: string[] = [];
  try {
    for (const address of addressesOf(host)) {
      const options = { requestTimeout: REQUEST_TIME };
      const server = certificate
        ? createEncrypted({ ...options, key: certificate.key, cert: certificate.cert }, answer)
        : createPlain(options, answer);
      server.maxConnections = MOST_CONNECTIONS;
      await listening(server, address, port);
      servers.push(server);
      const name = address.includes(':') ? `[${address}]` : address;
      addresses.push(`${certificate ? 'https' : 'http'}://${name}:${port}`);
    }
  } catch (error) {
    await close();
    throw error;
  }
  return { addresses, close };
}

const listening = (server: Server, host: string, port: number): Promise<void> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen({ host, port }, () => {
      server.off('error', reject);
      resolve();
    });
  });
