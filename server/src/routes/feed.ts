import { BUILD_EVENT } from '@warm-ladder/core/formats';
import { type FeedEvent, ROUTES } from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { Refusal } from '../errors';
import type { Studio } from '../studio/studio';
import { MOST_FEEDS, UNREAD_FEED } from './limits';
import { serve } from './serve';

/** Milliseconds between two signs of life: what stands between holds a silent line for a dead one. */
const SIGN = 20_000;

/**
 * What is kept from a revision on, as server-sent events: first all that was missed, then each change as it happens,
 * whichever process it came through. An event's id is its revision, from which a browser that was cut off goes on.
 */
export const feedRoutes =
  (studio: Studio, build: string | undefined): FastifyPluginAsync =>
  async (app) => {
    const open = new Set<() => void>();
    app.addHook('preClose', async () => {
      for (const end of open) end();
    });
    serve(app, ROUTES.feed, async ({ query, request: { headers, raw }, reply }) => {
      const last = Number(headers['last-event-id'] ?? query.since);
      if (!Number.isSafeInteger(last)) throw new Refusal('BAD_REQUEST', 'Expected since=REVISION.', { path: 'since' });
      if (open.size >= MOST_FEEDS) {
        throw new Refusal(
          'TOO_MANY',
          `There are ${MOST_FEEDS} feeds open, as many as this server holds. Try again later.`,
        );
      }
      reply.hijack();
      const { raw: out } = reply;
      out.writeHead(200, {
        'content-type': 'text/event-stream; charset=utf-8',
        'cache-control': 'no-store',
        'x-accel-buffering': 'no',
      });
      out.flushHeaders();
      let sent = last;
      const send = (event: FeedEvent) => {
        if (event.revision <= sent) return;
        sent = event.revision;
        out.write(`id: ${event.revision}\ndata: ${JSON.stringify(event)}\n\n`);
        // Whoever reads no more is let go; what is missed is asked for anew.
        if (out.writableLength > UNREAD_FEED) end();
      };
      // Heard before the past is asked for: what happens in between is told after it.
      const waiting: FeedEvent[] = [];
      let hear: (event: FeedEvent) => unknown = (event) => waiting.push(event);
      const deaf = studio.listen((event) => hear(event));
      const sign = setInterval(() => out.write(': here\n\n'), SIGN);
      const end = () => {
        deaf();
        clearInterval(sign);
        open.delete(end);
        if (out.writableLength > UNREAD_FEED) out.destroy();
        else out.end();
      };
      open.add(end);
      if (build) out.write(`event: ${BUILD_EVENT}\ndata: ${JSON.stringify(build)}\n\n`);
      raw.on('close', end);
      try {
        const missed = await studio.since(last);
        if (missed) send(missed);
        hear = send;
        for (const event of waiting) send(event);
      } catch {
        end();
      }
      return '';
    });
  };
