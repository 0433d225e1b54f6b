import helmet from '@fastify/helmet';
import { COLLECTIONS } from '@warm-ladder/core/formats';
import Fastify, { type FastifyInstance } from 'fastify';
import { speakErrors } from './errors';
import { bundleRoutes } from './routes/bundle';
import { collectionRoutes, methodRoutes } from './routes/collections';
import { tableRoutes } from './routes/table';
import { serveWeb } from './routes/web';
import type { Studio } from './studio';

/** Largest single document, in bytes. */
const LARGEST_DOCUMENT = 2 * 1024 * 1024;

export interface AppOptions {
  /** The built web app; none for the interface alone. */
  readonly webFolder?: string;
  readonly log?: boolean;
}

/** The whole server over an open studio, not yet listening. */
export async function buildApp(studio: Studio, { webFolder, log = false }: AppOptions = {}): Promise<FastifyInstance> {
  const app = Fastify({ bodyLimit: LARGEST_DOCUMENT, logger: log ? { level: 'warn' } : false });
  speakErrors(app);
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        // Inline styles place what is drawn; scripts come from the app's own files only.
        'style-src': ["'self'", "'unsafe-inline'"],
        'font-src': ["'self'"],
        'upgrade-insecure-requests': null,
      },
    },
    strictTransportSecurity: false,
  });
  await app.register(
    async (api) => {
      api.get('/health', async () => ({ ok: true }));
      await api.register(bundleRoutes(studio));
      await api.register(tableRoutes(studio));
      await api.register(methodRoutes(studio));
      for (const collection of COLLECTIONS) await api.register(collectionRoutes(studio, collection));
    },
    { prefix: '/api' },
  );
  if (webFolder) await serveWeb(app, webFolder);
  return app;
}
