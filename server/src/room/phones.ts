import { ROUTES } from '@warm-ladder/core/wire';
import type { FastifyInstance, FastifyPluginAsync } from 'fastify';
import QRCode from 'qrcode';
import { notFound } from '../errors';
import { networkAddresses } from '../guard';
import { serve } from '../routes/serve';

/** How other machines reach this server. */
export interface Sharing {
  /** Addresses in the network, as `https://192.168.1.20:4400`; none where only this machine reaches it. */
  readonly addresses: readonly string[];
  readonly encrypted: boolean;
  /** Whether other machines may do all that this one may. */
  readonly everything: boolean;
  /** What a phone has to trust first, as PEM; null for a certificate that was given, and where nothing is encrypted. */
  readonly authority: string | null;
}

export const NOT_SHARED: Sharing = { addresses: [], encrypted: false, everything: false, authority: null };

/** Where the classes of today are opened. */
const PAGE = '/tonight';

/** How phones open the classes of today. */
export const phonesRoutes =
  (sharing: () => Sharing): FastifyPluginAsync =>
  async (app) => {
    serve(app, ROUTES.phones, async () => {
      const { addresses, encrypted, everything } = sharing();
      const opened = addresses.map(async (address) => {
        const url = address + PAGE;
        return { url, picture: await QRCode.toString(url, { type: 'svg', margin: 1 }) };
      });
      return { addresses: await Promise.all(opened), encrypted, everything, here: networkAddresses() };
    });
  };

/** What a phone has to trust before it trusts these pages. */
export function certificateRoute(app: FastifyInstance, sharing: () => Sharing): void {
  app.get('/certificate.crt', async ({ url }, reply) => {
    const { authority } = sharing();
    if (authority === null) throw notFound(url);
    return reply
      .header('cache-control', 'no-cache')
      .header('content-disposition', 'attachment; filename="warm-ladder.crt"')
      .type('application/x-x509-ca-cert')
      .send(authority);
  });
}

/** The first address as a terminal draws it, to be read by a camera. */
export const terminalPicture = (address: string): Promise<string> =>
  QRCode.toString(address + PAGE, { type: 'terminal', small: true });
