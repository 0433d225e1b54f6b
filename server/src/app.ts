import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import { BUILD_HEADER } from '@warm-ladder/core/formats';
import { ROUTES } from '@warm-ladder/core/wire';
import Fastify, { type FastifyInstance } from 'fastify';
import { notFound, speakErrors, speakParserErrors } from './errors';
import { guard, hostsOf, speakFrameworkErrors } from './guard';
import { certificateRoute, NOT_SHARED, phonesRoutes, type Sharing } from './room/phones';
import { guardRoom } from './room/roomRequests';
import { bundleRoutes } from './routes/bundle';
import { changeRoutes, documentRoutes } from './routes/documents';
import { feedRoutes } from './routes/feed';
import { handoutRoutes } from './routes/handouts';
import { historyRoutes } from './routes/history';
import { LARGEST_DOCUMENT, MOST_CONNECTIONS } from './routes/limits';
import { seriesRoutes } from './routes/series';
import { serve } from './routes/serve';
import { tableRoutes } from './routes/table';
import { waysBackRoutes } from './routes/waysBack';
import { buildOf, serveWeb } from './routes/web';
import type { Studio } from './studio/studio';
import { Readers } from './threads/readers';

/** Milliseconds within which a request must have arrived: the largest file over a slow line at home. */
const REQUEST_TIME = 60_000;

/** Letters of a part of an address at most: longer ones name nothing. */
const LONGEST_PARAM = 200;

export interface AppOptions {
  /** The built web app; none for the interface alone. */
  readonly webFolder?: string;
  readonly log?: boolean;
  /** Names this server is asked for by; this machine's own when not given. */
  readonly hosts?: ReadonlySet<string>;
  /** What other machines reach, as it is by the time it is asked for. */
  readonly sharing?: () => Sharing;
}

/** The whole server over an open studio, not yet listening. */
export async function buildApp(
  studio: Studio,
  { webFolder, log = false, hosts = hostsOf('127.0.0.1'), sharing = () => NOT_SHARED }: AppOptions = {},
): Promise<FastifyInstance> {
  const app = Fastify({
    bodyLimit: LARGEST_DOCUMENT,
    logger: log ? { level: 'warn' } : false,
    requestTimeout: REQUEST_TIME,
    // A request that never ends must not keep the server from ending.
    forceCloseConnections: true,
    clientErrorHandler: speakParserErrors,
    frameworkErrors: speakFrameworkErrors(hosts),
    routerOptions: { maxParamLength: LONGEST_PARAM },
  });
  app.server.maxConnections = MOST_CONNECTIONS;
  speakErrors(app);
  const readers = new Readers();
  app.addHook('onClose', () => readers.close());
  guard(app, hosts);
  guardRoom(app);
  // JSON alone, and a table where one is taken: a form of another site's page can send neither without asking first.
  app.removeContentTypeParser('text/plain');
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
  const build = webFolder === undefined ? undefined : buildOf(webFolder);
  // What people's bodies are like is nobody's to keep but the studio's.
  app.addHook('onSend', async ({ url }, reply) => {
    if (!url.startsWith('/api/')) return;
    reply.header('cache-control', 'no-store');
    // What pages this server has: one of an earlier build learns that it is out of date.
    if (build) reply.header(BUILD_HEADER, build);
  });
  // Built files come compressed already and are left as they are.
  await app.register(compress, { threshold: 2048, encodings: ['gzip', 'identity'] });
  await app.register(
    async (api) => {
      serve(api, ROUTES.health, async () => ({ ok: true as const, revision: studio.revision }));
      for (const routes of [
        bundleRoutes,
        tableRoutes,
        documentRoutes,
        changeRoutes,
        handoutRoutes,
        seriesRoutes,
        waysBackRoutes,
        historyRoutes,
      ]) {
        await api.register(routes(studio, readers));
      }
      await api.register(feedRoutes(studio, build));
      await api.register(phonesRoutes(sharing));
    },
    { prefix: '/api' },
  );
  if (webFolder) {
    certificateRoute(app, sharing);
    await serveWeb(app, webFolder);
  } else {
    app.setNotFoundHandler(async ({ url }) => {
      throw notFound(url);
    });
  }
  return app;
}
